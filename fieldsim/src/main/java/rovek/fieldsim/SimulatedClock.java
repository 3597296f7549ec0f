package rovek.fieldsim;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;

/** The plant's time, which can be moved, and the instrument's clock, which can be wrong. */
final class SimulatedClock {

    private final Clock real;
    private Duration shift = Duration.ZERO;
    private Duration error = Duration.ZERO;

    SimulatedClock(Clock real) {
        this.real = real;
    }

    Clock real() {
        return real;
    }

    synchronized Instant plantTime() {
        return real.instant().plus(shift).truncatedTo(ChronoUnit.MILLIS);
    }

    /** What the instrument shows and writes on readings. */
    synchronized Instant instrumentTime() {
        return plantTime().plus(error);
    }

    synchronized Duration error() {
        return error;
    }

    synchronized void setError(Duration ahead) {
        error = ahead;
    }

    /** Somebody sets the instrument's clock. */
    synchronized void setInstrumentTime(Instant to) {
        error = Duration.between(plantTime(), to);
    }

    /** Moves the plant to another time; it goes on from there. */
    synchronized void movePlantTo(Instant at) {
        shift = Duration.between(real.instant(), at);
    }

    synchronized void backToRealTime() {
        shift = Duration.ZERO;
    }

    synchronized boolean isShifted() {
        return !shift.isZero();
    }

    synchronized void passTime(Duration time) {
        shift = shift.plus(time);
    }
}
