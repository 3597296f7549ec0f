package rovek.bench;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.jtransforms.fft.DoubleFFT_1D;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import rovek.core.reading.WaveformCapture;
import rovek.core.technique.Analysis;
import rovek.core.technique.SettingValues;
import rovek.core.technique.vibration.Vibration;
import rovek.core.technique.vibration.VibrationLook;

/** One vibration analysis of 16,384 samples beside the bare transform of the same samples. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class AnalysisBench {

    private static final int SAMPLES = 16_384;
    private static final double RATE_HZ = 25_600;

    private final double[] samples = new Random(20816).doubles(SAMPLES, -10, 10).toArray();
    private final Vibration vibration = new Vibration();
    private final SettingValues settings = vibration.settingsOf(Map.of());
    private final VibrationLook look = new VibrationLook();
    private final DoubleFFT_1D transform = new DoubleFFT_1D(SAMPLES);

    @Benchmark
    public Analysis analysis() {
        return vibration.analyse(WaveformCapture.ofAcceleration(samples, RATE_HZ), settings);
    }

    /** Overall values, spectrum and envelope of one record. */
    @Benchmark
    public List<Object> everything() {
        WaveformCapture waveform = WaveformCapture.ofAcceleration(samples, RATE_HZ);
        return List.of(vibration.analyse(waveform, settings), look.envelope(waveform, VibrationLook.ringing(RATE_HZ)));
    }

    @Benchmark
    public double[] bareTransform() {
        double[] copy = samples.clone();
        transform.realForward(copy);
        return copy;
    }

    /**
     * What all that needs at the least: to the lines and back, windowed to the lines once more; the envelope out of the
     * same lines, and its own lines.
     */
    @Benchmark
    public double[] bareTransforms() {
        double[] copy = samples.clone();
        transform.realForward(copy);
        transform.realInverse(copy, true);
        transform.realForward(copy);
        double[] complex = new double[2 * SAMPLES];
        System.arraycopy(samples, 0, complex, 0, SAMPLES);
        transform.complexInverse(complex, false);
        System.arraycopy(complex, 0, copy, 0, SAMPLES);
        transform.realForward(copy);
        return copy;
    }
}
