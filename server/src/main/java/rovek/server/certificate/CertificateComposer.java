package rovek.server.certificate;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rovek.core.certificate.CertificateContent;
import rovek.core.certificate.CertificateContent.InstrumentStatement;
import rovek.core.certificate.CertificateRow;
import rovek.core.limit.Judgement;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.Amount;
import rovek.server.account.Accounts;
import rovek.server.instrument.InstrumentView;
import rovek.server.instrument.Instruments;
import rovek.server.judge.ReadingVerdict;
import rovek.server.judge.Verdicts;
import rovek.server.plant.CheckView;
import rovek.server.plant.Plant;
import rovek.server.plant.PlantTree;
import rovek.server.reading.ReadingView;
import rovek.server.reading.Readings;
import rovek.server.visit.Visits;
import rovek.server.visit.Visits.VisitRow;
import rovek.server.visit.Visits.VisitSheet;

/** Puts the content of a certificate together from a visit as it stands now. */
@Component
class CertificateComposer {

    private final Visits visits;
    private final Readings readings;
    private final Plant plant;
    private final Instruments instruments;
    private final Verdicts verdicts;
    private final Accounts accounts;
    private final ZoneId zone;

    CertificateComposer(
            Visits visits, Readings readings, Plant plant, Instruments instruments, Verdicts verdicts, Accounts accounts, @Value("${rovek.time-zone:UTC}") String zone) {
        this.visits = visits;
        this.readings = readings;
        this.plant = plant;
        this.instruments = instruments;
        this.verdicts = verdicts;
        this.accounts = accounts;
        this.zone = ZoneId.of(zone);
    }

    CertificateContent compose(UUID visitId, List<UUID> chosen, Optional<String> reviewer) {
        VisitSheet sheet = visits.sheet(visitId);
        Map<UUID, ReadingView> byId = new HashMap<>();
        readings.ofVisit(visitId).forEach(reading -> byId.put(reading.id(), reading));
        PlantTree tree = plant.tree();
        List<CertificateRow> rows = new ArrayList<>();
        for (VisitRow row : sheet.rows()) {
            if (chosen.contains(row.checkId())) {
                CheckView check = tree.check(row.checkId()).orElseThrow();
                rows.addAll(rows(tree, row, check, byId.get(row.readingId())));
            }
        }
        LocalDate on = LocalDate.ofInstant(Instant.parse(sheet.beganAt()), zone);
        List<InstrumentView> used = used(sheet, chosen, byId);
        return new CertificateContent(
                sheet.client(), sheet.site(), sheet.title(), on, sheet.technician(), reviewer,
                used.stream().filter(instrument -> !instrument.isByHand()).map(instrument -> statement(sheet, instrument)).toList(),
                used.stream().anyMatch(InstrumentView::isByHand), rows);
    }

    /** What the chosen readings were taken with: readings that were moved here may have been taken with another instrument than the visit's. */
    private List<InstrumentView> used(VisitSheet sheet, List<UUID> chosen, Map<UUID, ReadingView> readings) {
        List<InstrumentView> used = sheet.rows().stream()
                .filter(row -> chosen.contains(row.checkId()) && row.readingId() != null)
                .map(row -> readings.get(row.readingId()).instrumentSerial())
                .distinct()
                .flatMap(serial -> instruments.withSerial(serial).stream())
                .toList();
        return used.isEmpty() ? List.of(sheet.instrument()) : used;
    }

    /** The visit's own instrument with its calibration as it stood at the visit. */
    private static InstrumentStatement statement(VisitSheet sheet, InstrumentView instrument) {
        boolean isOwn = instrument.id().equals(sheet.instrument().id());
        return new InstrumentStatement(
                instrument.model(), instrument.serial(),
                Optional.ofNullable(isOwn ? sheet.calibratedOn() : instrument.calibratedOn()),
                Optional.ofNullable(isOwn ? sheet.calibratedUntil() : instrument.calibratedUntil()));
    }

    /** The leading result, and every other one that has a limit of its own. */
    private List<CertificateRow> rows(PlantTree tree, VisitRow row, CheckView check, ReadingView reading) {
        Optional<ReadingVerdict> verdict = Optional.ofNullable(reading).filter(ReadingView::counts).map(counting -> verdicts.of(tree, counting));
        List<CertificateRow> rows = new ArrayList<>();
        for (ResultDefinition result : check.technique().results(check.settings())) {
            boolean leads = check.leadingResult().filter(result::equals).isPresent();
            Optional<ReadingVerdict.OfResult> own = verdict.map(judged -> judged.results().get(result.id()));
            if (leads || own.isPresent()) {
                Optional<Amount> value = verdict.map(judged -> reading.results().get(result.id()));
                Judgement judgement = judgement(row, reading, value, verdict, result);
                rows.add(new CertificateRow(
                        check.asset().tag(), check.asset().name(), check.point().name() + ", " + check.node().name(), result.name(), result.unit(),
                        value, own.map(judged -> judged.outcome().bounds()).orElse(List.of()),
                        own.filter(judged -> judged.limit().limit().boundaryIsPast()).isPresent(), judgement, row.note()));
            }
        }
        return rows;
    }

    private Judgement judgement(VisitRow row, ReadingView reading, Optional<Amount> value, Optional<ReadingVerdict> verdict, ResultDefinition result) {
        if (reading != null && !reading.obstacle().isBlank()) {
            return Judgement.notJudged(reading.obstacle());
        }
        if (value.isEmpty() || verdict.isEmpty()) {
            return Judgement.notJudged(row.reason().isBlank() ? "there is no result" : row.reason());
        }
        return named(verdict.get().onlyOn(result.id()).judgement());
    }

    /** A person stands on paper by name. */
    private Judgement named(Judgement judgement) {
        return judgement.overruled()
                .map(one -> new Judgement(
                        judgement.verdict(), judgement.reason(),
                        Optional.of(new Judgement.Overruled(one.computed(), one.because(), accounts.displayName(one.by()), one.at())), judgement.anew()))
                .orElse(judgement);
    }
}
