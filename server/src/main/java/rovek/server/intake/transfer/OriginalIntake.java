package rovek.server.intake.transfer;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import rovek.core.reading.ClockState;
import rovek.core.wording.Sentence;
import rovek.link.packet.PackageException;
import rovek.link.packet.ReadingsFile;
import rovek.link.packet.ReadingsPackage;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.room.WorkingRoom;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.judging.original.Originals;
import rovek.server.judging.original.Spool;
import rovek.server.judging.unitspelling.UnitSpellings;
import rovek.server.rounds.visit.VisitIntake;

/** Makes the readings of an original, whichever way it came. Doing it again makes only what is missing. */
@Service
class OriginalIntake {

    private final Originals originals;
    private final VisitIntake visits;
    private final UnitSpellings spellings;
    private final Instruments instruments;
    private final WorkingRoom room;

    OriginalIntake(
            Originals originals,
            VisitIntake visits,
            UnitSpellings spellings,
            Instruments instruments,
            WorkingRoom room) {
        this.originals = originals;
        this.visits = visits;
        this.spellings = spellings;
        this.instruments = instruments;
        this.room = room;
    }

    /**
     * What came of originals.
     *
     * @param visit that was made of the last; null for none
     * @param leftOut readings that could not be understood; they stay in the original
     */
    record Taken(
            @Nullable VisitIntake.Outcome visit,
            int fresh,
            int known,
            int loose,
            List<ReadingsPackage.LeftOut> leftOut) {

        static final Taken NOTHING = new Taken(null, 0, 0, 0, List.of());

        Taken plus(Taken other) {
            return new Taken(
                    other.visit,
                    fresh + other.fresh,
                    known + other.known,
                    loose + other.loose,
                    Stream.concat(leftOut.stream(), other.leftOut.stream()).toList());
        }

        /** In a sentence or two. */
        Sentence sentence() {
            Sentence counted = Sentence.of("intake.taken", "fresh", fresh, "loose", loose, "known", known);
            if (leftOut.isEmpty()) {
                return counted;
            }
            Sentence left = Sentence.of(
                    "intake.leftOut",
                    "readings",
                    leftOut.size(),
                    "first",
                    leftOut.get(0).reason());
            return Sentence.joined(List.of(counted, left));
        }
    }

    /**
     * @param file the original's bytes
     * @param readFrom the instrument it was read from; what its package says another one wrote is that one's, at the
     *     times that one wrote
     * @param clock of the instrument it was read from; empty takes the times as they are written
     */
    Taken take(Originals.Kept original, Spool file, UUID readFrom, Optional<ClockState> clock) throws PackageException {
        try (WorkingRoom.Taken taken = room.await(needed(file));
                ReadingsFile readings = ReadingsFile.open(file.path(), spellings.reading())) {
            return taken(original, readings, readFrom, clock);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new DomainProblem.Busy();
        }
    }

    private long needed(Spool file) throws PackageException, InterruptedException {
        try (WorkingRoom.Taken taken = room.await(ReadingsFile.GLANCE_BYTES)) {
            return ReadingsFile.glance(file.path()).memory();
        }
    }

    private Taken taken(Originals.Kept original, ReadingsFile readings, UUID readFrom, Optional<ClockState> clock) {
        UUID writer = instruments.writer(readings.maker(), readFrom);
        ClockState.Times times = clock.filter(own -> writer.equals(readFrom))
                .map(own -> own.times(written(readings)))
                .orElse(ClockState.Times.AS_WRITTEN);
        VisitIntake.Outcome taken = visits.take(
                readings,
                new VisitIntake.Source(original.id(), writer, times),
                stored -> originals.noteTaken(original.id(), stored.fresh(), stored.known(), readings.leftOut()));
        return new Taken(taken, taken.fresh(), taken.known(), taken.loose(), readings.leftOut());
    }

    private static List<ClockState.Written> written(ReadingsFile readings) {
        return readings.readings().stream()
                .map(one -> new ClockState.Written(one.id(), one.takenAt()))
                .toList();
    }
}
