package rovek.core.trend;

import java.util.Arrays;

/** Thins a series for drawing without losing a single-sample spike: keeps the least and the largest of every bucket. */
public final class MinMaxDecimation {

    private MinMaxDecimation() {}

    /**
     * @param values any length
     * @param atMost how many to keep, at least 2
     * @return rising indexes into {@code values}, all of them where there are few enough; the overall least and largest
     *     value and both ends are always among them when {@code atMost >= 4}
     */
    public static int[] keep(double[] values, int atMost) {
        if (atMost < 2) {
            throw new IllegalArgumentException("At least two points must be kept, not " + atMost + ".");
        }
        if (values.length <= atMost) {
            int[] all = new int[values.length];
            Arrays.setAll(all, i -> i);
            return all;
        }
        int buckets = Math.max(1, (atMost - 2) / 2);
        int[] kept = new int[2 * buckets + 2];
        int count = 0;
        kept[count++] = 0;
        for (int bucket = 0; bucket < buckets; bucket++) {
            int from = (int) ((long) bucket * values.length / buckets);
            int to = (int) ((long) (bucket + 1) * values.length / buckets);
            int least = from;
            int largest = from;
            for (int i = from + 1; i < to; i++) {
                least = values[i] < values[least] ? i : least;
                largest = values[i] > values[largest] ? i : largest;
            }
            kept[count++] = Math.min(least, largest);
            kept[count++] = Math.max(least, largest);
        }
        kept[count++] = values.length - 1;
        return Arrays.stream(kept, 0, count).distinct().toArray();
    }
}
