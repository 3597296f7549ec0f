package rovek.core.technique.run;

import java.util.Arrays;

/**
 * When a logger paused: an interval more than three times as long as is usual before it, and than is usual behind it.
 * What is usual says the median of up to five intervals, so that one sample between two pauses hides neither; a change
 * of pace is no pause.
 */
public final class Pauses {

    private static final double PAUSE = 3;
    private static final int ROUND = 5;

    private Pauses() {}

    /**
     * @param seconds of the samples, never falling
     * @return whether the interval behind each sample is a pause, one less than there are samples
     */
    public static boolean[] behind(double[] seconds) {
        int intervals = Math.max(0, seconds.length - 1);
        double[] lengths = new double[intervals];
        Arrays.setAll(lengths, i -> seconds[i + 1] - seconds[i]);
        boolean[] isPause = new boolean[intervals];
        double shortest =
                Arrays.stream(lengths).filter(length -> length > 0).min().orElse(Double.POSITIVE_INFINITY);
        for (int i = 0; i < intervals; i++) {
            // Most runs have one pace throughout: nothing is looked at closely there.
            if (lengths[i] > PAUSE * shortest) {
                // At either end there is one side only; there the nearest interval alone tells the pace.
                double before = i == intervals - 1 ? usual(lengths, i - 1, i) : usual(lengths, i - ROUND, i);
                double after = i == 0 ? usual(lengths, 1, 2) : usual(lengths, i + 1, i + 1 + ROUND);
                double usual = Math.max(before, after);
                isPause[i] = usual > 0 && lengths[i] > PAUSE * usual;
            }
        }
        return isPause;
    }

    /**
     * The lower median of the intervals from one to another; 0 where there are none. Rows that share a time tell no
     * pace.
     */
    private static double usual(double[] lengths, int from, int to) {
        double[] some = Arrays.stream(
                        lengths, Math.max(0, from), Math.max(Math.max(0, from), Math.min(lengths.length, to)))
                .filter(length -> length > 0)
                .sorted()
                .toArray();
        return some.length == 0 ? 0 : some[(some.length - 1) / 2];
    }
}
