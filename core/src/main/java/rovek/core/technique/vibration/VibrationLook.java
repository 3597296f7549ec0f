package rovek.core.technique.vibration;

import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import rovek.core.reading.WaveformCapture;
import rovek.core.signal.Averaging;
import rovek.core.signal.Band;
import rovek.core.signal.BandLimited;
import rovek.core.signal.Envelope;
import rovek.core.signal.FourierTransform;
import rovek.core.signal.Integration;
import rovek.core.signal.Spectrum;
import rovek.core.signal.Window;

/** A vibration waveform looked at in one way or another. Safe for many threads. */
public final class VibrationLook {

    /** Where a bearing's impacts ring, unless the sampling ends below: above a machine's own frequencies. */
    private static final double RINGING_FROM_HZ = 1_000;

    private static final double RINGING_TO_HZ = 10_000;

    /** Share of one stretch that overlaps the next: with a Hann window every sample counts about alike. */
    private static final double OVERLAP = 0.5;

    private final Map<Integer, FourierTransform> transforms = new ConcurrentHashMap<>();
    private final Map<Window, Map<Integer, double[]>> windows = new ConcurrentHashMap<>();

    /**
     * How a spectrum is made.
     *
     * @param stretches how many stretches the record is averaged over, half overlapping; 1 for none
     * @param averaging what becomes of several
     * @param fromHz lines below are left out: integration lifts them without measure
     */
    public record Manner(VibrationQuantity quantity, Window window, int stretches, Averaging averaging, double fromHz) {

        public Manner {
            if (stretches < 1) {
                throw new IllegalArgumentException("A spectrum is made of at least one stretch.");
            }
        }
    }

    /** RMS amplitudes in the quantity's unit, up to the highest frequency that can be trusted. */
    public Spectrum spectrum(WaveformCapture waveform, Manner manner) {
        return spectrum(centred(waveform), waveform.rateHz(), manner);
    }

    /** @param samples in m/s², mean already removed; not changed */
    Spectrum spectrum(double[] samples, double rateHz, Manner manner) {
        // Half overlapping: n stretches cover n + 1 halves.
        int length = manner.stretches() == 1 ? samples.length : even(2 * samples.length / (manner.stretches() + 1));
        double usable = VibrationSettings.usableHz(rateHz);
        Integration integration = manner.quantity().integration();
        Spectrum spectrum = manner.stretches() == 1
                ? Spectrum.of(transform(length), samples, rateHz, manner.window(), window(manner.window(), length), integration, usable)
                : manner.averaging().of(
                        samples, rateHz, transform(length), OVERLAP, manner.window(), window(manner.window(), length), integration, usable);
        double[] lines = spectrum.rms();
        int first = Math.max(1, (int) Math.ceil(manner.fromHz() / spectrum.stepHz() * (1 - 1e-9)));
        Arrays.fill(lines, 0, Math.min(first, lines.length), 0);
        if (manner.quantity().scale() != 1) {
            for (int line = first; line < lines.length; line++) {
                lines[line] *= manner.quantity().scale();
            }
        }
        return spectrum;
    }

    /** The signal over time in the quantity's unit, as many values as samples; integrated, it holds what lies within the band alone. */
    double[] overTime(WaveformCapture waveform, VibrationQuantity quantity, Band band) {
        double[] samples = centred(waveform);
        if (quantity == VibrationQuantity.ACCELERATION) {
            return samples;
        }
        FourierTransform fourier = transform(samples.length);
        fourier.forward(samples);
        double[] limited = BandLimited.of(fourier, samples, waveform.rateHz(), band, quantity.integration()).signal();
        for (int i = 0; i < limited.length; i++) {
            limited[i] *= quantity.scale();
        }
        return limited;
    }

    private static int even(int length) {
        return Math.max(16, length / 2 * 2);
    }

    /** The band whose ringing is looked at, as far as the sampling shows it; what is sampled slowly is looked at above a quarter of its range. */
    public static Band ringing(double rateHz) {
        double usable = VibrationSettings.usableHz(rateHz);
        return new Band(Math.min(RINGING_FROM_HZ, usable / 4), Math.min(RINGING_TO_HZ, usable));
    }

    /** Spectrum of the envelope of what rings within a band, m/s² RMS, without its mean. */
    public Spectrum envelope(WaveformCapture waveform, Band band) {
        double[] lines = centred(waveform);
        FourierTransform fourier = transform(lines.length);
        fourier.forward(lines);
        Envelope envelope = Envelope.of(fourier, lines, waveform.rateHz(), band, this::transform);
        double[] values = envelope.values();
        removeMean(values);
        return Spectrum.of(
                transform(values.length), values, envelope.rateHz(), Window.HANN, window(Window.HANN, values.length), Integration.NONE,
                (band.highHz() - band.lowHz()) / 2);
    }

    private double[] window(Window kind, int length) {
        return windows.computeIfAbsent(kind, none -> new ConcurrentHashMap<>()).computeIfAbsent(length, kind::values);
    }

    FourierTransform transform(int length) {
        return transforms.computeIfAbsent(length, FourierTransform::new);
    }

    static double[] centred(WaveformCapture waveform) {
        double[] samples = waveform.metresPerSquareSecond();
        removeMean(samples);
        return samples;
    }

    static void removeMean(double[] samples) {
        double sum = 0;
        for (double sample : samples) {
            sum += sample;
        }
        double mean = sum / samples.length;
        for (int i = 0; i < samples.length; i++) {
            samples[i] -= mean;
        }
    }
}
