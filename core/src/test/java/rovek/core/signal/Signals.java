package rovek.core.signal;

import java.util.function.DoubleUnaryOperator;

/** Test signals with known values. */
public final class Signals {

    private Signals() {}

    public static double[] sampled(int n, double rateHz, DoubleUnaryOperator ofSeconds) {
        double[] samples = new double[n];
        for (int i = 0; i < n; i++) {
            samples[i] = ofSeconds.applyAsDouble(i / rateHz);
        }
        return samples;
    }

    public static DoubleUnaryOperator sine(double amplitude, double hz) {
        return t -> amplitude * Math.sin(2 * Math.PI * hz * t);
    }
}
