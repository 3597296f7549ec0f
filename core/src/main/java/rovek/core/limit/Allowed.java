package rovek.core.limit;

import java.util.Objects;
import java.util.Optional;

/**
 * How far a value may deviate, on one side or both.
 *
 * @param watch 0 or more; likewise {@code fail}, which is not below it; at least one is set
 */
public record Allowed(Side side, Optional<Double> watch, Optional<Double> fail) {

    public Allowed {
        Objects.requireNonNull(side, "side");
        if (watch.isEmpty() && fail.isEmpty()) {
            throw new IllegalArgumentException("A limit needs a watch or a fail boundary.");
        }
        if (watch.filter(deviation -> !(deviation >= 0)).isPresent()
                || fail.filter(deviation -> !(deviation >= 0)).isPresent()) {
            throw new IllegalArgumentException("How far a value may deviate is 0 or more.");
        }
        if (watch.isPresent() && fail.isPresent() && watch.get() > fail.get()) {
            throw new IllegalArgumentException("The watch boundary (%s) must be reached before the fail boundary (%s)."
                    .formatted(watch.get(), fail.get()));
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
