package rovek.core.limit;

import java.util.Objects;
import java.util.Optional;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * How far a value may deviate, on one side or both.
 *
 * @param watch 0 or more; likewise {@code fail}, which is not below it; at least one is set
 */
public record Allowed(Side side, Optional<Double> watch, Optional<Double> fail) {

    public Allowed {
        Objects.requireNonNull(side, "side");
        if (watch.isEmpty() && fail.isEmpty()) {
            throw new Refused(Sentence.of("limit.noBoundary"));
        }
        if (watch.filter(deviation -> !(deviation >= 0)).isPresent()
                || fail.filter(deviation -> !(deviation >= 0)).isPresent()) {
            throw new Refused(Sentence.of("limit.negativeDeviation"));
        }
        if (watch.isPresent() && fail.isPresent() && watch.get() > fail.get()) {
            throw new Refused(Sentence.of("limit.wrongOrder", "watch", watch.get(), "fail", fail.get()));
        }
    }

    /** @param scale how much one step of the deviation is, above 0 */
    Bounds around(double centre, double scale) {
        return Bounds.within(range(centre, watch, scale), range(centre, fail, scale));
    }

    private Range range(double centre, Optional<Double> deviation, double scale) {
        return deviation.map(by -> side.around(centre, by * scale)).orElse(Range.ALL);
    }
}
