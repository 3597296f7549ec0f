package rovek.server.rounds.visit;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.limit.RollUp;
import rovek.core.limit.Verdict;
import rovek.core.plant.Level;
import rovek.core.reading.ClockDoubt;
import rovek.core.unit.Amount;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.StoredSentence;
import rovek.server.instruments.instrument.InstrumentView;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.judging.original.Originals;
import rovek.server.judging.reading.ReadingDesk;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.verdict.Boundaries;
import rovek.server.judging.verdict.ReadingVerdict;
import rovek.server.judging.verdict.ShownVerdict;
import rovek.server.judging.verdict.Verdicts;
import rovek.server.people.account.Accounts;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantNode;
import rovek.server.plant.tree.PlantTree;

/** What a visit found: as a sheet to work on, and as it is reported. */
@Service
public class Visits {

    /** A visit without a stop is at no site. */
    private static final UUID NOWHERE = new UUID(0, 0);

    private final VisitRepository visits;
    private final Readings readings;
    private final Plant plant;
    private final Instruments instruments;
    private final Accounts accounts;
    private final Proposals proposals;
    private final Verdicts verdicts;
    private final ReadingDesk desk;
    private final Originals originals;

    Visits(
            VisitRepository visits,
            Readings readings,
            Plant plant,
            Instruments instruments,
            Accounts accounts,
            Proposals proposals,
            Verdicts verdicts,
            ReadingDesk desk,
            Originals originals) {
        this.desk = desk;
        this.originals = originals;
        this.visits = visits;
        this.readings = readings;
        this.plant = plant;
        this.instruments = instruments;
        this.accounts = accounts;
        this.proposals = proposals;
        this.verdicts = verdicts;
    }

    /**
     * Which visit it was.
     *
     * @param client blank where its stops share none; likewise {@code site}
     * @param calibratedOn the instrument's calibration as it stood at the visit
     */
    public record VisitHead(
            UUID id,
            String title,
            String client,
            String site,
            String technician,
            InstrumentView instrument,
            @Nullable LocalDate calibratedOn,
            @Nullable LocalDate calibratedUntil) {}

    /**
     * A visit as a sheet.
     *
     * @param clockAheadSeconds how wrong the instrument's clock was; the times shown are corrected
     * @param clockDoubt why the times cannot be true; blank where nothing speaks against them
     * @param files what came as a file instead of from the instrument itself, and who brought it
     * @param newest the newest reading; null where there is none
     * @param zone time zone of the site
     */
    public record VisitSheet(
            @JsonUnwrapped VisitHead head,
            String beganAt,
            long clockAheadSeconds,
            RollUpView verdicts,
            List<VisitRow> rows,
            List<LooseReading> tray,
            Sentence clockDoubt,
            List<Sentence> files,
            @Nullable KnownTime newest,
            String zone) {}

    /**
     * A visit as it is reported: who found what at which stop, without anything that is still to be decided.
     *
     * @param judged reading to its verdict
     */
    public record VisitRecord(VisitHead head, Instant beganAt, List<VisitRow> rows, Map<UUID, ReadingVerdict> judged) {}

    /** The newest reading of a visit: the one whose time a person most likely knows. */
    public record KnownTime(UUID readingId, String place, String takenAt) {}

    /** Verdicts counted. */
    public record RollUpView(Verdict worst, int pass, int watch, int fail, int notJudged) {
        public static RollUpView of(RollUp rollUp) {
            return new RollUpView(rollUp.worst(), rollUp.pass(), rollUp.watch(), rollUp.fail(), rollUp.notJudged());
        }
    }

    /** Where a stop is. */
    public record StopPlace(
            UUID checkId, UUID assetId, String assetTag, String assetName, String point, String check) {}

    /**
     * What looks odd about a reading.
     *
     * @param swappedWith what it was perhaps swapped with, in words; blank where nothing looks so,
     *     {@code swappedWithId} null then
     * @param isAccidental whether it looks as if nothing had been measured
     */
    public record Oddity(String swappedWith, @Nullable UUID swappedWithId, boolean isAccidental) {}

    /**
     * A stop with what was found.
     *
     * @param readingId null where nothing was measured
     * @param progress to do, begun, done or skipped
     * @param value of the leading result; null where there is none
     * @param change since the reading before; null where there was none
     * @param repeats how many readings it replaced
     * @param filled what was filled in for it, column to value
     * @param others further readings of the same check in this visit, which do not count here
     */
    public record VisitRow(
            @JsonUnwrapped StopPlace place,
            @Nullable UUID readingId,
            String progress,
            @Nullable Double value,
            String unit,
            @JsonUnwrapped Boundaries boundaries,
            @Nullable Double change,
            @JsonUnwrapped ShownVerdict shown,
            String note,
            int repeats,
            @Nullable String discardedBecause,
            @JsonUnwrapped Oddity oddity,
            Map<String, String> filled,
            List<OtherReading> others) {

        public UUID checkId() {
            return place.checkId();
        }
    }

    /**
     * A reading that does not count at its stop because another one does.
     *
     * @param isPlanned whether it was taken for the stop
     * @param value of the leading result, in the row's unit; null where there is none
     */
    public record OtherReading(
            UUID readingId,
            String takenAt,
            boolean isPlanned,
            @Nullable Double value,
            Verdict verdict,
            Sentence reason,
            String note,
            @Nullable String discardedBecause) {}

    /** A reading that no stop asked for. */
    public record LooseReading(
            UUID id,
            String technique,
            String takenAt,
            String label,
            String note,
            @Nullable Double value,
            String unit,
            @Nullable String discardedBecause,
            Map<String, String> filled,
            boolean isAccidental,
            List<PlacementProposal> proposals) {}

    private VisitEntity visit(UUID id) {
        return visits.findById(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.visit")));
    }

    /**
     * What a visit found, from readings and a plant that were read already.
     *
     * @param all readings of the visit
     */
    @Transactional(readOnly = true)
    public VisitRecord recorded(UUID id, PlantTree tree, List<ReadingView> all) {
        return recorded(visit(id), tree, all, Proposals.Oddities.NONE);
    }

    private VisitRecord recorded(VisitEntity visit, PlantTree tree, List<ReadingView> all, Proposals.Oddities odd) {
        UUID id = visit.id;
        Map<UUID, List<ReadingView>> placed = new LinkedHashMap<>();
        Map<UUID, Integer> repeats = new HashMap<>();
        for (ReadingView reading : all) {
            if (reading.checkId() != null && !reading.replaced()) {
                placed.computeIfAbsent(reading.checkId(), none -> new ArrayList<>())
                        .add(reading);
            } else if (reading.checkId() != null) {
                repeats.merge(reading.checkId(), 1, Integer::sum);
            }
        }
        Map<UUID, ReadingVerdict> judged =
                verdicts.of(tree, placed.values().stream().flatMap(List::stream).toList());
        SheetRows rows = new SheetRows(
                tree, placed, judged, repeats, readings.resultsBefore(id), odd.swapped(), odd.accidental());
        List<VisitRow> made = rows.of(visit);
        VisitHead head = new VisitHead(
                id,
                visit.title,
                place(made, tree, Level.CLIENT),
                place(made, tree, Level.SITE),
                accounts.displayName(visit.technician),
                instruments.get(visit.instrumentId),
                visit.calibratedOn,
                visit.calibratedUntil);
        return new VisitRecord(head, visit.beganAt, made, judged);
    }

    @Transactional(readOnly = true)
    public VisitSheet sheet(UUID id) {
        VisitEntity visit = visit(id);
        PlantTree tree = plant.tree();
        List<ReadingView> all = readings.ofVisit(id);
        Proposals.Oddities odd = proposals.oddities(all, tree);
        VisitRecord found = recorded(visit, tree, all, odd);
        Map<UUID, List<PlacementProposal>> places = proposals.of(all, tree);
        List<ReadingView> unplaced = all.stream()
                .filter(reading -> reading.checkId() == null && !reading.replaced())
                .toList();
        Map<UUID, Amount> lone = desk.lone(unplaced.stream()
                .filter(reading -> reading.results().isEmpty())
                .map(ReadingView::id)
                .toList());
        List<LooseReading> tray = unplaced.stream()
                .map(reading -> loose(
                        reading,
                        Optional.ofNullable(lone.get(reading.id())),
                        odd.accidental().contains(reading.id()),
                        places.getOrDefault(reading.id(), List.of())))
                .toList();
        RollUp rolledUp = RollUp.ofAll(
                found.rows().stream().map(row -> row.shown().verdict()).toList());
        return new VisitSheet(
                found.head(),
                found.beganAt().toString(),
                visit.clockAheadSeconds,
                RollUpView.of(rolledUp),
                found.rows(),
                tray,
                clockDoubt(visit, all),
                files(all),
                newest(all, tree),
                zone(tree, found).getId());
    }

    /** In which time zone a visit was: that of its first stop's site. */
    private ZoneId zone(PlantTree tree, VisitRecord visit) {
        return plant.zone(
                tree, visit.rows().isEmpty() ? NOWHERE : visit.rows().get(0).checkId());
    }

    private List<Sentence> files(List<ReadingView> all) {
        return originals
                .broughtAsFiles(all.stream().map(ReadingView::originalId).toList())
                .stream()
                .map(file -> Sentence.of(
                        "rounds.broughtBy", "file", file.fileName(), "person", accounts.displayName(file.by())))
                .toList();
    }

    private static Sentence clockDoubt(VisitEntity visit, List<ReadingView> all) {
        if (!visit.clockDoubt.isBlank() && !visit.corrected) {
            return StoredSentence.read(visit.clockDoubt);
        }
        return ClockDoubt.of(
                        all.stream()
                                .map(reading -> new ClockDoubt.Taken(reading.takenAt(), reading.storedAt()))
                                .toList(),
                        Optional.ofNullable(visit.calibratedOn))
                .orElse(Sentence.NONE);
    }

    private static @Nullable KnownTime newest(List<ReadingView> all, PlantTree tree) {
        return all.stream()
                .max(Comparator.comparing(ReadingView::takenAt))
                .map(reading -> new KnownTime(
                        reading.id(),
                        Optional.ofNullable(reading.checkId())
                                .flatMap(tree::check)
                                .map(CheckView::place)
                                .orElse(reading.label()),
                        reading.takenAt().toString()))
                .orElse(null);
    }

    /** The client or site all rows share; blank where they do not. */
    private static String place(List<VisitRow> rows, PlantTree tree, Level level) {
        List<String> names = rows.stream()
                .flatMap(row -> tree.nearest(row.checkId(), level).stream())
                .map(PlantNode::label)
                .distinct()
                .toList();
        return names.size() == 1 ? names.get(0) : "";
    }

    private static LooseReading loose(
            ReadingView reading, Optional<Amount> lone, boolean isAccidental, List<PlacementProposal> places) {
        Optional<Amount> leading =
                reading.results().values().stream().findFirst().or(() -> lone);
        return new LooseReading(
                reading.id(),
                reading.technique(),
                reading.takenAt().toString(),
                reading.label(),
                reading.note(),
                leading.map(Amount::value).orElse(null),
                leading.map(amount -> amount.unit().shown()).orElse(""),
                reading.discardedBecause(),
                reading.filled(),
                isAccidental,
                places);
    }
}
