package rovek.core.trend;

import java.util.Arrays;
import java.util.OptionalInt;

/**
 * Finds where a series that was level begins to rise or fall: a bearing is well for years and then wears. A bent line,
 * level before the bend, is fitted for every bend; it is believed where it leaves far less scatter than one straight
 * line.
 */
final class Onset {

    /** Fewer points behind a bend than this make no line of their own. */
    static final int LEAST_BEHIND = 6;

    private static final int LEAST_BEFORE = 4;

    /** How much of a straight line's squares a bent one may leave: chance alone seldom gets below. */
    private static final double LEFT = 0.5;

    private Onset() {}

    /** @return index of the first point behind the bend; empty where one line describes all as well */
    static OptionalInt of(double[] x, double[] y) {
        if (x.length < LEAST_BEFORE + LEAST_BEHIND) {
            return OptionalInt.empty();
        }
        double[] calm = calmed(y);
        double straight = squares(x, calm, StraightLine.leastSquares(x, calm));
        int best = -1;
        double least = straight * LEFT;
        // Behind the last instant there is no time in which anything could rise.
        for (int bend = LEAST_BEFORE; bend <= x.length - LEAST_BEHIND && x[bend - 1] < x[x.length - 1]; bend++) {
            double left = bent(x, calm, x[bend - 1]);
            if (left < least) {
                least = left;
                best = bend - 1;
            }
        }
        return best < 0 ? OptionalInt.empty() : OptionalInt.of(best);
    }

    /** Each value but the ends as the median of itself and its neighbours: one wild value bends nothing. */
    private static double[] calmed(double[] y) {
        double[] calm = y.clone();
        for (int i = 1; i < y.length - 1; i++) {
            calm[i] = Spread.median(Arrays.copyOfRange(y, i - 1, i + 2));
        }
        return calm;
    }

    private static double squares(double[] x, double[] y, StraightLine line) {
        double sum = 0;
        for (int i = 0; i < x.length; i++) {
            sum += (y[i] - line.at(x[i])) * (y[i] - line.at(x[i]));
        }
        return sum;
    }

    /** Squares left by the best level line that rises or falls from the bend on. */
    private static double bent(double[] x, double[] y, double bend) {
        double[] since = Arrays.stream(x).map(one -> Math.max(0, one - bend)).toArray();
        return squares(since, y, StraightLine.leastSquares(since, y));
    }
}
