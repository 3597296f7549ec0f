package rovek.server.rounds.visit;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.reading.ClockState;
import rovek.core.wording.Sentence;
import rovek.link.packet.ListedReading;
import rovek.link.packet.ReadingsFile;
import rovek.link.packet.Walk;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.wording.StoredSentence;
import rovek.server.base.wording.Wording;
import rovek.server.instruments.instrument.InstrumentView;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.judging.reading.InstrumentCalibration;
import rovek.server.judging.reading.PreparedReading;
import rovek.server.judging.reading.ReadingIntake;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;

/** Makes a visit and its readings from one package, all in one transaction. */
@Service
public class VisitIntake {

    /** Loose readings belong to the visit of the same instrument that began at most this long before or after. */
    private static final Duration SAME_VISIT = Duration.ofHours(14);

    private final VisitRepository visits;
    private final ReadingIntake readings;
    private final Plant plant;
    private final Instruments instruments;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;

    VisitIntake(
            VisitRepository visits,
            ReadingIntake readings,
            Plant plant,
            Instruments instruments,
            AuditTrail audit,
            TransactionTemplate transaction) {
        this.visits = visits;
        this.readings = readings;
        this.plant = plant;
        this.instruments = instruments;
        this.audit = audit;
        this.transaction = transaction;
    }

    /**
     * What came of a package.
     *
     * @param visitId the newest, where loose readings are of several; null where the package held nothing new
     * @param known how many of its readings were stored before
     */
    public record Outcome(UUID visitId, int fresh, int known, int loose) {}

    /**
     * Where a package came from.
     *
     * @param instrumentId that took its readings
     */
    public record Source(UUID originalId, UUID instrumentId, ClockState.Times clock) {}

    /** @param alongside done in the same transaction, told the outcome */
    public Outcome take(ReadingsFile file, Source source, Consumer<Outcome> alongside) {
        PlantTree tree = plant.tree();
        return transaction.execute(status -> {
            // The same readings may come by two ways at once; they are taken one after the other.
            readings.claim(source.instrumentId());
            Outcome outcome = store(file, source, readings.freshOf(file.readings(), source.instrumentId()), tree);
            alongside.accept(outcome);
            return outcome;
        });
    }

    private Outcome store(ReadingsFile file, Source source, List<ListedReading> fresh, PlantTree tree) {
        int known = file.readings().size() - fresh.size();
        if (fresh.isEmpty() && file.walk().isEmpty()) {
            return new Outcome(null, 0, known, 0);
        }
        Map<UUID, String> labels = labels(file, tree);
        InstrumentView instrument = instruments.get(source.instrumentId());
        InstrumentCalibration calibration =
                new InstrumentCalibration(instrument.calibratedOn(), instrument.calibratedUntil());
        ReadingIntake.Preparation preparation = readings.preparation(file, source.instrumentId(), tree);
        VisitEntity visit = null;
        int loose = 0;
        for (List<ListedReading> oneVisit : file.walk().isPresent() ? List.of(fresh) : apart(fresh, source.clock())) {
            visit = visit(file, source, oneVisit);
            for (List<ListedReading> part : ReadingsFile.parts(oneVisit)) {
                List<PreparedReading> prepared = preparation.of(part);
                loose += (int) prepared.stream()
                        .filter(reading -> reading.check().isEmpty())
                        .count();
                readings.store(prepared, visit.id, source.originalId(), source.clock(), calibration, labels);
            }
        }
        Outcome outcome = new Outcome(visit.id, fresh.size(), known, loose);
        audit.note("read back", "visit", visit.id, null, outcome);
        return outcome;
    }

    /**
     * Readings without a walk may be of many days: where long nothing was taken, another visit begins. The newest comes
     * last.
     */
    private static List<List<ListedReading>> apart(List<ListedReading> fresh, ClockState.Times clock) {
        List<ListedReading> inOrder = fresh.stream()
                .sorted(Comparator.comparing(ListedReading::takenAt))
                .toList();
        List<List<ListedReading>> visits = new ArrayList<>();
        Instant before = null;
        for (ListedReading reading : inOrder) {
            Instant at = clock.correct(reading.id(), reading.takenAt());
            if (before == null || before.plus(SAME_VISIT).isBefore(at)) {
                visits.add(new ArrayList<>());
            }
            visits.get(visits.size() - 1).add(reading);
            before = at;
        }
        return visits;
    }

    private VisitEntity visit(ReadingsFile file, Source source, List<ListedReading> fresh) {
        Instant first = fresh.stream()
                .map(reading -> source.clock().correct(reading.id(), reading.takenAt()))
                .min(Instant::compareTo)
                .orElse(source.clock().correct("", file.createdAt()));
        Optional<Walk> walk = file.walk();
        List<VisitEntity> around = visits.findByInstrumentIdAndBeganAtBetweenOrderByBeganAtDesc(
                source.instrumentId(), first.minus(SAME_VISIT), first.plus(SAME_VISIT));
        // Whichever is read back first, a walk and the loose readings taken on it are one visit.
        Optional<VisitEntity> existing = walk.isPresent()
                ? visits.findByWalkIdAndInstrumentId(walk.get().id(), source.instrumentId())
                        .or(() -> around.stream()
                                .filter(visit -> visit.walkId == null)
                                .findFirst())
                : around.stream().findFirst();
        VisitEntity visit = existing.orElseGet(() -> begun(source, first));
        State before = State.of(visit);
        if (!fresh.isEmpty() && !source.clock().doubt().isBlank()) {
            visit.clockDoubt = StoredSentence.write(source.clock().doubt());
        }
        if (!visit.corrected && !fresh.isEmpty() && first.isBefore(visit.beganAt)) {
            visit.beganAt = first;
        }
        walk.ifPresent(walked -> WalkStates.take(visit, walked, file.createdAt()));
        VisitEntity saved = visits.save(visit);
        State after = State.of(saved);
        if (existing.isPresent() && !after.equals(before)) {
            audit.note("change by reading back", "visit", visit.id, before, after);
        }
        return saved;
    }

    /** What a package may change of a visit that is there already, as it stands in the audit trail. */
    private record State(String title, String beganAt, String clockDoubt, List<VisitEntity.Stop> stops) {

        static State of(VisitEntity visit) {
            return new State(visit.title, String.valueOf(visit.beganAt), visit.clockDoubt, List.copyOf(visit.stops));
        }
    }

    private VisitEntity begun(Source source, Instant first) {
        VisitEntity visit = new VisitEntity();
        visit.id = UUID.randomUUID();
        visit.beganAt = first;
        visit.instrumentId = source.instrumentId();
        visit.technician = AuditTrail.actor();
        InstrumentView instrument = instruments.get(source.instrumentId());
        visit.title =
                Wording.said(Sentence.of(instrument.isByHand() ? "rounds.enteredByHand" : "rounds.looseReadings"));
        visit.calibratedOn = instrument.calibratedOn();
        visit.calibratedUntil = instrument.calibratedUntil();
        visit.clockAheadSeconds = source.clock().instrumentAhead().toSeconds();
        return visit;
    }

    /** A stop whose check is gone leaves its reading loose; its note is not all that is left of where it was taken. */
    private static Map<UUID, String> labels(ReadingsFile file, PlantTree tree) {
        Map<UUID, String> labels = new HashMap<>();
        file.walk().ifPresent(walk -> {
            for (int i = 0; i < walk.stops().size(); i++) {
                if (tree.check(walk.stops().get(i).id()).isEmpty()) {
                    labels.put(
                            walk.stops().get(i).id(),
                            Wording.said(Sentence.of("rounds.stopOf", "stop", i + 1, "route", walk.name())));
                }
            }
        });
        return labels;
    }
}
