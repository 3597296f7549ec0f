package rovek.core.unit;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Objects;
import javax.measure.IncommensurableException;
import javax.measure.Unit;
import javax.measure.UnitConverter;

/**
 * A unit under the symbol it is written and stored with.
 *
 * @param symbol as printed, e.g. {@code mm/s}
 * @param unit the library's unit, which knows its dimension and its conversion to SI
 * @param scale where it lies on the scale of its SI unit
 */
public record UnitOfMeasure(String symbol, Unit<?> unit, Scale scale) {

    public UnitOfMeasure {
        Objects.requireNonNull(symbol, "symbol");
        Objects.requireNonNull(unit, "unit");
        Objects.requireNonNull(scale, "scale");
    }

    public UnitOfMeasure(String symbol, Unit<?> unit) {
        this(symbol, unit, scaleOf(unit));
    }

    private static Scale scaleOf(Unit<?> unit) {
        try {
            UnitConverter toBase = unit.getConverterToAny(unit.getSystemUnit());
            BigDecimal offset = exact(toBase.convert(BigDecimal.ZERO));
            return new Scale(exact(toBase.convert(BigDecimal.ONE)).subtract(offset), offset);
        } catch (IncommensurableException cannotBe) {
            throw new IllegalArgumentException(cannotBe);
        }
    }

    private static BigDecimal exact(Number number) {
        return new BigDecimal(number.toString(), MathContext.DECIMAL128);
    }

    /**
     * A unit that is made of another one: one of it is {@code factor} of the other, and its zero lies at {@code offset}
     * of the other.
     *
     * @param factor not zero
     */
    static UnitOfMeasure scaled(String symbol, UnitOfMeasure other, BigDecimal factor, BigDecimal offset) {
        BigDecimal one = other.scale.factor().multiply(factor, MathContext.DECIMAL128);
        BigDecimal zero = other.scale.factor().multiply(offset).add(other.scale.offset(), MathContext.DECIMAL128);
        return new UnitOfMeasure(symbol, other.unit, new Scale(one, zero));
    }

    public boolean isComparableTo(UnitOfMeasure other) {
        return unit.isCompatible(other.unit);
    }

    /**
     * Converts a number from this unit to another of the same dimension: exact to the last digit that a double carries;
     * a number of up to 12 digits comes back as the same number.
     *
     * @throws IncomparableUnitsException when the dimensions differ
     */
    public double convert(double value, UnitOfMeasure target) {
        if (scale.equals(target.scale) && isComparableTo(target)) {
            return value;
        }
        requireComparable(target);
        return scale.convert(value, target.scale);
    }

    /**
     * Converts the difference of two numbers in this unit: a change of 9 °F is one of 5 °C.
     *
     * @throws IncomparableUnitsException when the dimensions differ
     */
    public double convertDifference(double difference, UnitOfMeasure target) {
        requireComparable(target);
        return scale.factor().equals(target.scale.factor())
                ? difference
                : scale.convertDifference(difference, target.scale);
    }

    private void requireComparable(UnitOfMeasure target) {
        if (!isComparableTo(target)) {
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
