package rovek.core.technique.loop;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import rovek.core.trend.StraightLine;

/**
 * How far average errors lie from a straight line, by three lines; in % of the output span, 0 or more. Empty with fewer
 * than three different places, where a line can always be drawn.
 *
 * @param terminal from the line through the first and the last place (terminal-based)
 * @param leastSquares from the line of least squares
 * @param minimax from the line whose largest distance is least
 */
public record Nonlinearity(OptionalDouble terminal, OptionalDouble leastSquares, OptionalDouble minimax) {

    /**
     * An average error.
     *
     * @param at mean applied input in % of its span
     */
    public record Place(double at, double error) {}

    private static final int FEWEST = 3;

    /** @param places in any order */
    public static Nonlinearity of(List<Place> places) {
        List<Place> rising =
                places.stream().sorted(Comparator.comparingDouble(Place::at)).toList();
        if (rising.stream().mapToDouble(Place::at).distinct().count() < FEWEST) {
            return new Nonlinearity(OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());
        }
        return new Nonlinearity(
                OptionalDouble.of(largest(rising, through(rising.get(0), rising.get(rising.size() - 1)))),
                OptionalDouble.of(largest(rising, leastSquaresOf(rising)::at)),
                OptionalDouble.of(minimaxOf(rising)));
    }

    /** The height of a line through two places. */
    private static DoubleUnaryOperator through(Place one, Place other) {
        double slope = (other.error - one.error) / (other.at - one.at);
        return at -> one.error + slope * (at - one.at);
    }

    private static StraightLine leastSquaresOf(List<Place> places) {
        return StraightLine.leastSquares(
                places.stream().mapToDouble(Place::at).toArray(),
                places.stream().mapToDouble(Place::error).toArray());
    }

    private static double largest(List<Place> places, DoubleUnaryOperator line) {
        return places.stream()
                .mapToDouble(place -> Math.abs(place.error - line.applyAsDouble(place.at)))
                .max()
                .orElseThrow();
    }

    /**
     * The best line touches three places that lie on alternating sides of it, all equally far (Chebyshev's
     * equioscillation); for no three places is that distance larger than for those. A calibration has few places: all
     * threes are tried.
     */
    private static double minimaxOf(List<Place> rising) {
        double distance = 0;
        int count = rising.size();
        for (int i = 0; i < count; i++) {
            for (int k = i + 1; k < count; k++) {
                Place first = rising.get(i);
                Place last = rising.get(k);
                if (first.at == last.at) {
                    distance = Math.max(distance, Math.abs(first.error - last.error) / 2);
                    continue;
                }
                DoubleUnaryOperator chord = through(first, last);
                for (int j = i + 1; j < k; j++) {
                    Place middle = rising.get(j);
                    distance = Math.max(distance, Math.abs(middle.error - chord.applyAsDouble(middle.at)) / 2);
                }
            }
        }
        return distance;
    }
}
