package rovek.server.reports.choice;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.plant.Level;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Wording;
import rovek.server.people.unit.ShownUnits;
import rovek.server.people.unit.UnitChoices;
import rovek.server.plant.tree.Plant;

/** In which language and in which units the reports of a client are written. */
@Service
public class ReportChoices {

    private final ReportChoiceRepository choices;
    private final UnitChoices units;
    private final Plant plant;
    private final AuditTrail audit;

    ReportChoices(ReportChoiceRepository choices, UnitChoices units, Plant plant, AuditTrail audit) {
        this.choices = choices;
        this.units = units;
        this.plant = plant;
        this.audit = audit;
    }

    /** What a report is written in. */
    public record Choice(Locale language, ShownUnits units) {}

    /**
     * How a client's reports are written.
     *
     * @param language as a BCP 47 tag
     * @param languages to choose from
     */
    public record ReportChoice(String language, List<String> languages, UnitChoices.UnitView units) {}

    /** @param client empty for readings of no client: the company's own units, and the usual language */
    @Transactional(readOnly = true)
    public Choice of(Optional<UUID> client) {
        Locale language =
                client.flatMap(choices::language).map(Locale::forLanguageTag).orElse(Wording.USUAL);
        return new Choice(language, units.shown(client.orElse(UnitChoices.EVERYBODY)));
    }

    @Transactional(readOnly = true)
    public ReportChoice view(UUID client) {
        requireClient(client);
        return new ReportChoice(
                of(Optional.of(client)).language().toLanguageTag(),
                List.copyOf(Wording.SHIPPED.languages()),
                units.view(client));
    }

    /** @throws DomainProblem.Invalid where the language is not spoken */
    @Transactional
    public ReportChoice chooseLanguage(UUID client, String language) {
        requireClient(client);
        if (!Wording.SHIPPED.languages().contains(language)) {
            throw new DomainProblem.Invalid("language", Sentence.of("people.noLanguage"));
        }
        String before = choices.language(client).orElse("");
        choices.put(client, language);
        audit.note("choose report language", "client", client, before, language);
        return view(client);
    }

    @Transactional
    public ReportChoice chooseUnits(UUID client, List<UnitChoices.WantedUnit> wanted) {
        requireClient(client);
        units.choose(client, wanted);
        return view(client);
    }

    private void requireClient(UUID id) {
        if (plant.tree().find(id).filter(node -> node.level() == Level.CLIENT).isEmpty()) {
            throw new DomainProblem.NotFound(Sentence.of("thing.client"));
        }
    }
}
