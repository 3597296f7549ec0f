package rovek.core.reading;

import java.time.Duration;
import java.time.Instant;

/**
 * Moves the time an instrument wrote on a reading to the time it was.
 *
 * @param instrumentAhead how far the instrument's clock is ahead of true time; negative when it is slow
 */
public record ClockCorrection(Duration instrumentAhead) {

    /** Differences up to this are taken for the delay of asking, not for a wrong clock. */
    public static final Duration TOLERANCE = Duration.ofSeconds(30);

    public static final ClockCorrection NONE = new ClockCorrection(Duration.ZERO);

    /** @param instrumentTime what the instrument's clock said when true time was {@code trueTime} */
    public static ClockCorrection between(Instant instrumentTime, Instant trueTime) {
        return new ClockCorrection(Duration.between(trueTime, instrumentTime));
    }

    public boolean isNeeded() {
        return instrumentAhead.abs().compareTo(TOLERANCE) > 0;
    }

    public Instant correct(Instant instrumentTime) {
        return instrumentTime.minus(instrumentAhead);
    }
}
