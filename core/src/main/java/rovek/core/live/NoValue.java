package rovek.core.live;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;

/**
 * What a device lays down where it has no value: a number as it is before it is scaled, or the bits themselves.
 *
 * @param bits all of them; empty where it is a number
 * @param number empty where it is bits
 */
public record NoValue(OptionalLong bits, OptionalDouble number) {

    private static final String HEXADECIMAL = "0[xX][0-9a-fA-F]{1,16}";

    /**
     * @param written a number, or bits in hexadecimal such as {@code 0x8000}
     * @return empty where it is neither
     */
    public static Optional<NoValue> parse(String written) {
        String text = written.strip();
        if (text.matches(HEXADECIMAL)) {
            return Optional.of(new NoValue(
                    OptionalLong.of(Long.parseUnsignedLong(text.substring(2), 16)), OptionalDouble.empty()));
        }
        try {
            double number = Double.parseDouble(text);
            return Double.isFinite(number)
                    ? Optional.of(new NoValue(OptionalLong.empty(), OptionalDouble.of(number)))
                    : Optional.empty();
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    /**
     * Whether that is it. A float of 32 bits is compared as such: -9999.9 has none that is exactly it.
     *
     * @param raw the number that the bits say, before it is scaled
     */
    boolean is(long laidDown, double raw) {
        return bits.isPresent()
                ? bits.getAsLong() == laidDown
                : number.getAsDouble() == raw || (float) number.getAsDouble() == raw;
    }
}
