package rovek.core.limit;

import java.util.Objects;
import java.util.Optional;
import rovek.core.technique.Sense;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitOfMeasure;

/**
 * What is right for one result: a watch and a fail boundary, of which at least one is set. A value on a boundary is still
 * within it; only past it is watch or fail.
 */
public record Limit(Sense sense, Optional<Amount> watch, Optional<Amount> fail) {

    public Limit {
        Objects.requireNonNull(sense, "sense");
        if (watch.isEmpty() && fail.isEmpty()) {
            throw new IllegalArgumentException("A limit needs a watch or a fail boundary.");
        }
        if (watch.isPresent() && fail.isPresent()) {
            int order = watch.get().compareWith(fail.get());
            boolean wrong = sense == Sense.HIGHER_IS_WORSE ? order > 0 : order < 0;
            if (wrong) {
                throw new IllegalArgumentException(
                        "The watch boundary (%s %s) must be reached before the fail boundary (%s %s)."
                                .formatted(
                                        watch.get().value(), watch.get().unit(),
                                        fail.get().value(), fail.get().unit()));
            }
        }
    }

    /** Whether its boundaries can be compared with values in a unit. */
    public boolean isFor(UnitOfMeasure unit) {
        return watch.or(() -> fail).orElseThrow().unit().isComparableTo(unit);
    }

    /**
     * Judges a value: simple acceptance, no allowance for uncertainty.
     *
     * @throws rovek.core.unit.IncomparableUnitsException when the value is of another kind of quantity
     */
    public Verdict judge(Amount value) {
        if (fail.filter(boundary -> isPast(value, boundary)).isPresent()) {
            return Verdict.FAIL;
        }
        if (watch.filter(boundary -> isPast(value, boundary)).isPresent()) {
            return Verdict.WATCH;
        }
        return Verdict.PASS;
    }

    private boolean isPast(Amount value, Amount boundary) {
        int order = value.compareWith(boundary);
        return sense == Sense.HIGHER_IS_WORSE ? order > 0 : order < 0;
    }
}
