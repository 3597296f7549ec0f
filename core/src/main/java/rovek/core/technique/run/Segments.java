package rovek.core.technique.run;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A channel as straight lines from sample to sample, interrupted where nothing was measured and where the logger paused: an interval more than three
 * times as long as both of its neighbours. A change of pace is no pause.
 */
final class Segments {

    private static final double PAUSE = 3;

    /** A straight line from one sample to the next, in seconds and in the channel's unit. */
    record Segment(double fromSeconds, double toSeconds, double first, double last) {

        double seconds() {
            return toSeconds - fromSeconds;
        }

        double at(double second) {
            return first + (last - first) * (second - fromSeconds) / seconds();
        }

        /** What of it lies within a period. */
        Segment within(double from, double to) {
            double begin = Math.max(from, fromSeconds);
            double end = Math.min(to, toSeconds);
            return new Segment(begin, end, begin == fromSeconds ? first : at(begin), end == toSeconds ? last : at(end));
        }
    }

    private Segments() {}

    /** @param seconds rising; {@code values} NaN where nothing was measured */
    static List<Segment> of(double[] seconds, double[] values) {
        int[] measured = new int[values.length];
        int count = 0;
        for (int i = 0; i < values.length; i++) {
            if (Double.isFinite(values[i])) {
                measured[count++] = i;
            }
        }
        boolean[] isPause = pauses(seconds);
        List<Segment> segments = new ArrayList<>();
        for (int k = 1; k < count; k++) {
            int i = measured[k - 1];
            int j = measured[k];
            if (j == i + 1 && !isPause[i]) {
                segments.add(new Segment(seconds[i], seconds[j], values[i], values[j]));
            }
        }
        return segments;
    }

    /** @return whether the interval behind each sample is a pause */
    private static boolean[] pauses(double[] seconds) {
        int intervals = Math.max(0, seconds.length - 1);
        double[] lengths = new double[intervals];
        Arrays.setAll(lengths, i -> seconds[i + 1] - seconds[i]);
        boolean[] isPause = new boolean[intervals];
        for (int i = 0; i < intervals; i++) {
            double before = i == 0 ? 0 : lengths[i - 1];
            double after = i == intervals - 1 ? 0 : lengths[i + 1];
            double usual = Math.max(before, after);
            isPause[i] = usual > 0 && lengths[i] > PAUSE * usual;
        }
        return isPause;
    }
}
