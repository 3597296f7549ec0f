package rovek.core.technique.run;

import java.util.ArrayList;
import java.util.List;

/**
 * A channel as straight lines from sample to sample, interrupted where nothing was measured and where the logger
 * paused; two samples of one time are a step.
 */
final class Segments {

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

    /** @param seconds never falling; {@code values} NaN where nothing was measured */
    static List<Segment> of(double[] seconds, double[] values) {
        int[] measured = new int[values.length];
        int count = 0;
        for (int i = 0; i < values.length; i++) {
            if (Double.isFinite(values[i])) {
                measured[count++] = i;
            }
        }
        boolean[] isPause = Pauses.behind(seconds);
        List<Segment> segments = new ArrayList<>();
        for (int k = 1; k < count; k++) {
            int i = measured[k - 1];
            int j = measured[k];
            if (j == i + 1 && !isPause[i] && seconds[j] > seconds[i]) {
                segments.add(new Segment(seconds[i], seconds[j], values[i], values[j]));
            }
        }
        return segments;
    }
}
