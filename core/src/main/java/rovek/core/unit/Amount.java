package rovek.core.unit;

import java.util.Objects;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * A number with its unit.
 *
 * @param value finite
 */
public record Amount(double value, UnitOfMeasure unit) {

    public Amount {
        Objects.requireNonNull(unit, "unit");
        if (!Double.isFinite(value)) {
            throw new Refused(Sentence.of("unit.notFinite", "number", value, "unit", unit));
        }
    }

    public static Amount of(double value, String symbol) {
        return new Amount(value, UnitCatalogue.get(symbol));
    }

    /** The same amount in another unit of the same dimension. */
    public Amount in(UnitOfMeasure target) {
        return new Amount(unit.convert(value, target), target);
    }

    /**
     * Negative, zero or positive as this amount is smaller than, equal to or larger than the other, whatever their
     * units.
     */
    public int compareWith(Amount other) {
        return Double.compare(value, other.in(unit).value);
    }
}
