package rovek.server.intake.entry;

import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rovek.server.rounds.visit.VisitIntake;

@RestController
@RequestMapping("/api/by-hand")
class WrittenReadingController {

    private final HandRounds rounds;
    private final WrittenReadings readings;

    WrittenReadingController(HandRounds rounds, WrittenReadings readings) {
        this.rounds = rounds;
        this.readings = readings;
    }

    @GetMapping("/routes/{id}")
    HandRounds.HandRound route(@PathVariable UUID id) {
        return rounds.ofRoute(id);
    }

    @GetMapping("/checks/{id}")
    HandRounds.HandRound check(@PathVariable UUID id) {
        return rounds.ofCheck(id);
    }

    @PostMapping
    VisitIntake.Outcome take(@RequestBody WrittenRound round) {
        return readings.take(round);
    }
}
