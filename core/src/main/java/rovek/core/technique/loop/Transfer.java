package rovek.core.technique.loop;

/**
 * How a transmitter's output follows its input.
 *
 * @param isSquareRoot whether the output follows the root of the input, as of a flow from its differential pressure
 * @param cutOff low-flow cut-off as a share of the output span, 0 to below 1; 0 where there is none. An ideal output
 *     below it is the lower end
 */
public record Transfer(boolean isSquareRoot, double cutOff) {

    public static final Transfer LINEAR = new Transfer(false, 0);
    public static final Transfer SQUARE_ROOT = new Transfer(true, 0);

    public Transfer {
        if (!(cutOff >= 0 && cutOff < 1)) {
            throw new IllegalArgumentException("A low-flow cut-off is 0 or more and less than the whole span.");
        }
    }

    /**
     * @param input share of the input span; below 0 and above 1 outside it
     * @return share of the output span; of a root of less than nothing 0
     */
    double ideal(double input) {
        double output = isSquareRoot ? Math.sqrt(Math.max(0, input)) : input;
        return cutOff > 0 && output < cutOff ? 0 : output;
    }
}
