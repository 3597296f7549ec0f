package rovek.server.instruments.setup;

import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/setups")
class SetupController {

    private final Setups setups;

    SetupController(Setups setups) {
        this.setups = setups;
    }

    @GetMapping("/forms")
    List<SetupFormView> forms() {
        return setups.forms();
    }

    @GetMapping
    List<SetupView> list() {
        return setups.list();
    }

    @GetMapping("/{id}")
    SetupView get(@PathVariable UUID id) {
        return setups.get(id);
    }

    @GetMapping("/{id}/revisions")
    List<SetupView.SetupRevision> revisions(@PathVariable UUID id) {
        return setups.revisions(id);
    }

    @PutMapping("/{id}")
    SetupView put(@PathVariable UUID id, @RequestBody Setups.SetupDraft draft) {
        return setups.put(id, draft);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        setups.remove(id);
    }

    @GetMapping("/removed")
    List<Setups.RemovedSetup> removed() {
        return setups.removed();
    }

    @PostMapping("/{id}/bring-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void bringBack(@PathVariable UUID id) {
        setups.bringBack(id);
    }
}
