package rovek.core.unit;

import java.util.Objects;
import javax.measure.IncommensurableException;
import javax.measure.Unit;

/**
 * A unit under the symbol it is written and stored with.
 *
 * @param symbol as printed, e.g. {@code mm/s}
 * @param unit the library's unit, which knows its dimension and its conversion to SI
 */
public record UnitOfMeasure(String symbol, Unit<?> unit) {

    public UnitOfMeasure {
        Objects.requireNonNull(symbol, "symbol");
        Objects.requireNonNull(unit, "unit");
    }

    public boolean isComparableTo(UnitOfMeasure other) {
        return unit.isCompatible(other.unit);
    }

    /**
     * Converts a number from this unit to another of the same dimension.
     *
     * @throws IncomparableUnitsException when the dimensions differ
     */
    public double convert(double value, UnitOfMeasure target) {
        if (unit.equals(target.unit)) {
            return value;
        }
        try {
            return unit.getConverterToAny(target.unit).convert(value);
        } catch (IncommensurableException e) {
            throw new IncomparableUnitsException(this, target);
        }
    }

    /** As it stands beside a number: a mere number has nothing beside it. */
    public String shown() {
        return symbol.equals("1") ? "" : symbol;
    }

    @Override
    public String toString() {
        return symbol;
    }
}
