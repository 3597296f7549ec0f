package rovek.server.judging.unitspelling;

import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/unit-spellings")
class SpellingController {

    private final UnitSpellings spellings;

    SpellingController(UnitSpellings spellings) {
        this.spellings = spellings;
    }

    @GetMapping
    UnitSpellings.Spellings all() {
        return spellings.all();
    }

    @PutMapping
    UnitSpellings.Spellings say(@RequestBody UnitSpellings.Spelling spelling) {
        return spellings.say(spelling);
    }

    /** A unit may hold a slash: it is no part of the path. */
    @DeleteMapping
    UnitSpellings.Spellings forget(@RequestParam String written) {
        return spellings.forget(written);
    }
}
