package rovek.core.live;

import java.util.OptionalDouble;
import rovek.core.unit.Decimals;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * What a live value must keep to. Both boundaries are within.
 *
 * @param low empty where nothing is too low; likewise {@code high}
 */
public record GoLimit(OptionalDouble low, OptionalDouble high) {

    public static final GoLimit NONE = new GoLimit(OptionalDouble.empty(), OptionalDouble.empty());

    /** Whether a live value is as it should be. */
    public enum Go {
        GO,
        NO_GO,
        NOT_JUDGED
    }

    /** @throws IllegalArgumentException with a sentence, where no value could keep to it */
    public GoLimit {
        if (low.isPresent() && high.isPresent() && low.getAsDouble() > high.getAsDouble()) {
            throw new Refused(Sentence.of("live.emptyLimit", "low", low.getAsDouble(), "high", high.getAsDouble()));
        }
    }

    public boolean isNone() {
        return low.isEmpty() && high.isEmpty();
    }

    /** A channel without a value keeps to nothing: it is no go where there is a limit. */
    public Go judge(double value) {
        if (isNone()) {
            return Go.NOT_JUDGED;
        }
        boolean isWithin = Double.isFinite(value)
                && Decimals.compare(value, low.orElse(Double.NEGATIVE_INFINITY)) >= 0
                && Decimals.compare(value, high.orElse(Double.POSITIVE_INFINITY)) <= 0;
        return isWithin ? Go.GO : Go.NO_GO;
    }
}
