package rovek.server.reports.certificate;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rovek.core.certificate.CertificateContent;
import rovek.core.certificate.CertificateContent.InstrumentStatement;
import rovek.core.certificate.CertificateRow;
import rovek.core.limit.Bounds;
import rovek.core.limit.Judgement;
import rovek.core.limit.LimitLayers;
import rovek.core.plant.Level;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.Names;
import rovek.server.base.wording.Wording;
import rovek.server.judging.original.Originals;
import rovek.server.judging.reading.InstrumentCalibration;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.verdict.ReadingVerdict;
import rovek.server.people.account.Accounts;
import rovek.server.people.unit.ShownUnits;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantNode;
import rovek.server.plant.tree.PlantTree;
import rovek.server.reports.certificate.CertifiedReadings.Certified;
import rovek.server.reports.choice.ReportChoices;
import rovek.server.rounds.visit.VisitRecord;
import rovek.server.rounds.visit.VisitRow;
import rovek.server.rounds.visit.Visits;

/** Puts the content of a certificate together from a visit as it stands now. */
@Component
class CertificateComposer {

    private final Visits visits;
    private final Readings readings;
    private final Plant plant;
    private final Accounts accounts;
    private final Equipment equipment;
    private final Originals originals;
    private final ReportChoices choices;

    CertificateComposer(
            Visits visits,
            Readings readings,
            Plant plant,
            Accounts accounts,
            Equipment equipment,
            Originals originals,
            ReportChoices choices) {
        this.choices = choices;
        this.visits = visits;
        this.readings = readings;
        this.plant = plant;
        this.accounts = accounts;
        this.equipment = equipment;
        this.originals = originals;
    }

    /**
     * What a certificate says, and of what.
     *
     * @param language that it is written in
     * @param readings it states
     * @param gone how many of the chosen checks are no longer in the visit
     * @param files that some of the readings came in
     */
    record Composed(
            CertificateContent content,
            Locale language,
            List<Certified> readings,
            int gone,
            List<Originals.Brought> files) {}

    Composed compose(UUID visitId, Collection<UUID> checks) {
        Set<UUID> chosen = new HashSet<>(checks);
        PlantTree tree = plant.tree();
        List<ReadingView> all = readings.ofVisit(visitId);
        VisitRecord visit = visits.recorded(visitId, tree, all);
        Map<UUID, ReadingView> byId = new HashMap<>();
        all.forEach(reading -> byId.put(reading.id(), reading));
        Instant began = visit.beganAt();
        ReportChoices.Choice choice =
                choices.of(tree.nearest(checks.iterator().next(), Level.CLIENT).map(PlantNode::id));
        List<CertificateRow> rows = new ArrayList<>();
        List<ReadingView> used = new ArrayList<>();
        List<VisitRow> stated = visit.rows().stream()
                .filter(row -> chosen.contains(row.checkId()))
                .toList();
        for (VisitRow row : stated) {
            ReadingView reading = row.readingId() == null ? null : byId.get(row.readingId());
            rows.addAll(new CheckRows(
                            tree.check(row.checkId()).orElseThrow(),
                            row,
                            reading,
                            reading == null || !reading.counts()
                                    ? null
                                    : visit.judged().get(reading.id()),
                            began,
                            choice)
                    .all());
            if (reading != null) {
                used.add(reading);
            }
        }
        ZoneId zone = plant.zone(tree, checks.iterator().next());
        LocalDate on = LocalDate.ofInstant(began, zone);
        List<Originals.Brought> files = originals.broughtAsFiles(
                used.stream().map(reading -> reading.source().originalId()).toList());
        boolean isByHand = used.isEmpty() ? visit.head().instrument().isByHand() : equipment.isByHand(used);
        CertificateContent content = new CertificateContent(
                visit.head().client(),
                visit.head().site(),
                visit.head().title(),
                on,
                zone,
                visit.head().technician(),
                Optional.empty(),
                used.isEmpty() ? ofVisit(visit) : equipment.instruments(used),
                equipment.sensors(used, on),
                isByHand,
                files.stream()
                        .map(file -> Sentence.of(
                                "reports.file",
                                "file",
                                file.fileName(),
                                "by",
                                accounts.displayName(file.by()),
                                "on",
                                LocalDate.ofInstant(file.at(), zone)))
                        .toList(),
                rows);
        int gone = chosen.size()
                - (int) stated.stream().map(VisitRow::checkId).distinct().count();
        return new Composed(
                content,
                choice.language(),
                used.stream()
                        .map(reading -> new Certified(reading.id(), visitId, reading.checkId()))
                        .toList(),
                gone,
                files);
    }

    private static List<InstrumentStatement> ofVisit(VisitRecord visit) {
        return visit.head().instrument().isByHand()
                ? List.of()
                : List.of(Equipment.statement(
                        visit.head().instrument(),
                        new InstrumentCalibration(
                                visit.head().calibratedOn(), visit.head().calibratedUntil())));
    }

    /** The lines of one chosen check: whatever came of it, at least one. */
    private final class CheckRows {

        private final CheckView check;
        private final VisitRow row;
        private final @Nullable ReadingView reading;
        private final @Nullable ReadingVerdict verdict;
        private final Instant began;
        private final ShownUnits units;
        private final Locale language;

        /** @param verdict null where nothing was measured that counts */
        CheckRows(
                CheckView check,
                VisitRow row,
                @Nullable ReadingView reading,
                @Nullable ReadingVerdict verdict,
                Instant began,
                ReportChoices.Choice choice) {
            this.check = check;
            this.row = row;
            this.reading = reading;
            this.verdict = verdict;
            this.began = began;
            this.units = choice.units();
            this.language = choice.language();
        }

        /** The leading result, and every other one that has a limit, with a number or without. */
        List<CertificateRow> all() {
            List<CertificateRow> rows = new ArrayList<>();
            for (ResultDefinition result : check.technique().results(check.settings())) {
                boolean leads = check.leadingResult().filter(result::equals).isPresent();
                if (leads || limit(result).isPresent()) {
                    rows.add(of(result));
                }
            }
            if (rows.isEmpty()) {
                rows.add(withoutResults());
            }
            return rows;
        }

        /** What it was judged by, or would have been on the day of the visit. */
        private Optional<LimitLayers.InForce> limit(ResultDefinition result) {
            return verdict == null
                    ? Optional.ofNullable(check.limits().get(result.id())).flatMap(layers -> layers.at(began))
                    : Optional.ofNullable(verdict.results().get(result.id())).map(ReadingVerdict.OfResult::limit);
        }

        private CertificateRow of(ResultDefinition result) {
            UnitOfMeasure unit = units.unit(result.unit());
            Optional<Amount> value = verdict == null
                    ? Optional.empty()
                    : Optional.ofNullable(reading.results().get(result.id()));
            List<Bounds> bounds = verdict == null || !verdict.results().containsKey(result.id())
                    ? List.of()
                    : verdict.results().get(result.id()).outcome().bounds();
            return new CertificateRow(
                    check.asset().tag(),
                    check.asset().name(),
                    place(),
                    Wording.SHIPPED.of(Names.result(result), language),
                    unit,
                    units.decimals(result.unit()),
                    value.map(amount -> amount.in(unit)),
                    bounds.stream().map(one -> one.in(result.unit(), unit)).toList(),
                    limit(result)
                            .filter(limit -> limit.limit().boundaryIsPast())
                            .isPresent(),
                    judgement(value, result),
                    row.note());
        }

        private CertificateRow withoutResults() {
            Sentence reason =
                    reading == null || verdict == null ? row.shown().reason() : Sentence.of("reports.withoutResult");
            return new CertificateRow(
                    check.asset().tag(),
                    check.asset().name(),
                    place(),
                    Wording.SHIPPED.of(Names.technique(check.technique()), language),
                    UnitCatalogue.ONE,
                    OptionalInt.empty(),
                    Optional.empty(),
                    List.of(),
                    false,
                    Judgement.notJudged(reason.isBlank() ? Sentence.of("judging.noResult") : reason),
                    row.note());
        }

        private String place() {
            return check.point().name() + ", " + check.node().name();
        }

        private Judgement judgement(Optional<Amount> value, ResultDefinition result) {
            if (verdict == null) {
                return Judgement.notJudged(
                        row.shown().reason().isBlank()
                                ? Sentence.of("judging.noResult")
                                : row.shown().reason());
            }
            if (!reading.obstacle().isBlank()) {
                return Judgement.notJudged(reading.obstacle());
            }
            if (value.isEmpty()) {
                Sentence remark = Optional.ofNullable(verdict.results().get(result.id()))
                        .map(one -> one.outcome().remark())
                        .orElse(Sentence.NONE);
                return Judgement.notJudged(remark.isBlank() ? Sentence.of("judging.noResult") : remark);
            }
            return named(verdict.onlyOn(result.id()).judgement());
        }
    }

    /** A person stands on paper by name. */
    private Judgement named(Judgement judgement) {
        return judgement
                .overridden()
                .map(one -> new Judgement(
                        judgement.verdict(), judgement.reason(),
                        Optional.of(new Judgement.Overridden(
                                        one.computed(), one.because(), accounts.displayName(one.by()), one.at())),
                                judgement.rejudged()))
                .orElse(judgement);
    }
}
