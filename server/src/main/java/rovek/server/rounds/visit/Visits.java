package rovek.server.rounds.visit;

import jakarta.annotation.Nullable;
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
import rovek.core.plant.Level;
import rovek.core.reading.ClockDoubt;
import rovek.core.unit.Amount;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.StoredSentence;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.judging.original.Originals;
import rovek.server.judging.reading.ReadingDesk;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.verdict.ReadingVerdict;
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
        VisitSheet.VisitHead head = new VisitSheet.VisitHead(
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
        List<VisitSheet.LooseReading> tray = unplaced.stream()
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
                VisitSheet.RollUpView.of(rolledUp),
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
                .broughtAsFiles(all.stream()
                        .map(reading -> reading.source().originalId())
                        .toList())
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

    private static @Nullable VisitSheet.KnownTime newest(List<ReadingView> all, PlantTree tree) {
        return all.stream()
                .max(Comparator.comparing(ReadingView::takenAt))
                .map(reading -> new VisitSheet.KnownTime(
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

    private static VisitSheet.LooseReading loose(
            ReadingView reading, Optional<Amount> lone, boolean isAccidental, List<PlacementProposal> places) {
        Optional<Amount> leading =
                reading.results().values().stream().findFirst().or(() -> lone);
        return new VisitSheet.LooseReading(
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
