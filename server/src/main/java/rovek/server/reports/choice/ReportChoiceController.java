package rovek.server.reports.choice;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rovek.server.people.unit.UnitChoices;

@RestController
@RequestMapping("/api/clients/{id}/reports")
class ReportChoiceController {

    private final ReportChoices choices;

    ReportChoiceController(ReportChoices choices) {
        this.choices = choices;
    }

    record ReportLanguage(String language) {}

    record ReportUnits(List<UnitChoices.WantedUnit> choices) {}

    @GetMapping
    ReportChoices.ReportChoice view(@PathVariable UUID id) {
        return choices.view(id);
    }

    @PutMapping("/language")
    ReportChoices.ReportChoice chooseLanguage(@PathVariable UUID id, @RequestBody ReportLanguage wanted) {
        return choices.chooseLanguage(id, wanted.language());
    }

    @PutMapping("/units")
    ReportChoices.ReportChoice chooseUnits(@PathVariable UUID id, @RequestBody ReportUnits wanted) {
        return choices.chooseUnits(id, wanted.choices());
    }
}
