package rovek.core.technique.run;

import java.util.Arrays;

/** When a logger paused: an interval more than three times as long as both of its neighbours. A change of pace is no pause. */
public final class Pauses {

    private static final double PAUSE = 3;

    private Pauses() {}

    /**
     * @param seconds of the samples, rising
     * @return whether the interval behind each sample is a pause, one less than there are samples
     */
    public static boolean[] behind(double[] seconds) {
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
