package rovek.server.visit;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.reading.ClockState;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.Walk;
import rovek.server.audit.AuditTrail;
import rovek.server.instrument.InstrumentView;
import rovek.server.instrument.Instruments;
import rovek.server.plant.Plant;
import rovek.server.plant.PlantTree;
import rovek.server.reading.InstrumentCalibration;
import rovek.server.reading.PreparedReading;
import rovek.server.reading.ReadingIntake;

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

    /**
     * @param alongside done in the same transaction, told the outcome
     */
    public Outcome take(ReadingsPackage readingsPackage, Source source, java.util.function.Consumer<Outcome> alongside) {
        PlantTree tree = plant.tree();
        List<PreparedReading> prepared = readings.prepare(readingsPackage, source.instrumentId(), tree);
        return transaction.execute(status -> {
            // The same readings may come by two ways at once; they are taken one after the other.
            List<PreparedReading> fresh = readings.withoutStored(prepared);
            Outcome outcome = store(readingsPackage, source, fresh, tree);
            alongside.accept(outcome);
            return outcome;
        });
    }

    private Outcome store(ReadingsPackage readingsPackage, Source source, List<PreparedReading> prepared, PlantTree tree) {
        int known = readingsPackage.readings().size() - prepared.size();
        int loose = (int) prepared.stream().filter(reading -> reading.check().isEmpty()).count();
        if (prepared.isEmpty() && readingsPackage.walk().isEmpty()) {
            return new Outcome(null, 0, known, 0);
        }
        Map<UUID, String> labels = labels(readingsPackage, tree);
        InstrumentView instrument = instruments.get(source.instrumentId());
        InstrumentCalibration calibration = new InstrumentCalibration(instrument.calibratedOn(), instrument.calibratedUntil());
        VisitEntity visit = null;
        for (List<PreparedReading> oneVisit : readingsPackage.walk().isPresent() ? List.of(prepared) : apart(prepared, source.clock())) {
            visit = visit(readingsPackage, source, oneVisit, tree);
            readings.store(oneVisit, visit.id, source.originalId(), source.clock(), calibration, labels);
        }
        Outcome outcome = new Outcome(visit.id, prepared.size(), known, loose);
        audit.note("read back", "visit", visit.id, null, outcome);
        return outcome;
    }

    /** Readings without a walk may be of many days: where long nothing was taken, another visit begins. The newest comes last. */
    private static List<List<PreparedReading>> apart(List<PreparedReading> prepared, ClockState.Times clock) {
        List<PreparedReading> inOrder = prepared.stream().sorted(Comparator.comparing(reading -> reading.packed().takenAt())).toList();
        List<List<PreparedReading>> visits = new ArrayList<>();
        Instant before = null;
        for (PreparedReading reading : inOrder) {
            Instant at = clock.correct(reading.packed().id(), reading.packed().takenAt());
            if (before == null || before.plus(SAME_VISIT).isBefore(at)) {
                visits.add(new ArrayList<>());
            }
            visits.get(visits.size() - 1).add(reading);
            before = at;
        }
        return visits;
    }

    private VisitEntity visit(ReadingsPackage readingsPackage, Source source, List<PreparedReading> prepared, PlantTree tree) {
        Instant first = prepared.stream()
                .map(reading -> source.clock().correct(reading.packed().id(), reading.packed().takenAt()))
                .min(Instant::compareTo)
                .orElse(source.clock().correct("", readingsPackage.createdAt()));
        Optional<Walk> walk = readingsPackage.walk();
        List<VisitEntity> around = visits.findByInstrumentIdAndBeganAtBetweenOrderByBeganAtDesc(
                source.instrumentId(), first.minus(SAME_VISIT), first.plus(SAME_VISIT));
        // Whichever is read back first, a walk and the loose readings taken on it are one visit.
        Optional<VisitEntity> existing = walk.isPresent()
                ? visits.findByWalkIdAndInstrumentId(walk.get().id(), source.instrumentId())
                        .or(() -> around.stream().filter(visit -> visit.walkId == null).findFirst())
                : around.stream().findFirst();
        VisitEntity visit = existing.orElseGet(() -> fresh(source, first));
        State before = State.of(visit);
        if (!prepared.isEmpty() && !source.clock().doubt().isEmpty()) {
            visit.clockDoubt = source.clock().doubt();
        }
        if (!visit.corrected && !prepared.isEmpty() && first.isBefore(visit.beganAt)) {
            visit.beganAt = first;
        }
        walk.ifPresent(walked -> WalkStates.take(visit, walked, readingsPackage.createdAt()));
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

    private VisitEntity fresh(Source source, Instant first) {
        VisitEntity visit = new VisitEntity();
        visit.id = UUID.randomUUID();
        visit.beganAt = first;
        visit.instrumentId = source.instrumentId();
        visit.technician = AuditTrail.actor();
        InstrumentView instrument = instruments.get(source.instrumentId());
        visit.title = instrument.isByHand() ? "Written by hand" : "Loose readings";
        visit.calibratedOn = instrument.calibratedOn();
        visit.calibratedUntil = instrument.calibratedUntil();
        visit.clockAheadSeconds = source.clock().instrumentAhead().toSeconds();
        return visit;
    }

    /** A stop whose check is gone leaves its reading loose; its note is not all that is left of where it was taken. */
    private static Map<UUID, String> labels(ReadingsPackage readingsPackage, PlantTree tree) {
        Map<UUID, String> labels = new HashMap<>();
        readingsPackage.walk().ifPresent(walk -> {
            for (int i = 0; i < walk.stops().size(); i++) {
                if (tree.check(walk.stops().get(i).id()).isEmpty()) {
                    labels.put(walk.stops().get(i).id(), "stop " + (i + 1) + " of " + walk.name());
                }
            }
        });
        return labels;
    }
}
