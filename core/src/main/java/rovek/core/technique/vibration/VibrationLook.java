package rovek.core.technique.vibration;

import java.util.Arrays;
import rovek.core.reading.WaveformCapture;
import rovek.core.signal.Averaging;
import rovek.core.signal.Band;
import rovek.core.signal.BandLimited;
import rovek.core.signal.BandLines;
import rovek.core.signal.BandValues;
import rovek.core.signal.Drift;
import rovek.core.signal.Envelope;
import rovek.core.signal.Integration;
import rovek.core.signal.SignalTables;
import rovek.core.signal.Spectrum;
import rovek.core.signal.Taper;
import rovek.core.signal.Window;
import rovek.core.technique.Curve;

/** A vibration waveform looked at in one way or another. Safe for many threads. */
public final class VibrationLook {

    /** Where a bearing's impacts ring, unless the sampling ends below: above a machine's own frequencies. */
    private static final double RINGING_FROM_HZ = 1_000;

    private static final double RINGING_TO_HZ = 10_000;

    /** Share of one stretch that overlaps the next: with a Hann window every sample counts about alike. */
    private static final double OVERLAP = 0.5;

    /**
     * A record fades in and out over so many periods of the band's lower edge, and over an eighth of it at the least.
     */
    private static final double PERIODS_FADING = 16;

    private static final double LEAST_FADING = 1.0 / 8;

    private final SignalTables tables = new SignalTables();

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
        return whole(centred(waveform), waveform.rateHz(), manner)
                .shown(manner.quantity().scale(), manner.fromHz(), VibrationSettings.usableHz(waveform.rateHz()));
    }

    /**
     * The spectrum before anything of it is left out, in m/s², m/s or m.
     *
     * @param samples in m/s², mean and drift already removed; not changed
     */
    Spectrum whole(double[] samples, double rateHz, Manner manner) {
        // Half overlapping: n stretches cover n + 1 halves.
        int length = manner.stretches() == 1 ? samples.length : even(2 * samples.length / (manner.stretches() + 1));
        double usable = VibrationSettings.usableHz(rateHz);
        Integration integration = manner.quantity().integration();
        double[] window = tables.window(manner.window(), length);
        return manner.stretches() == 1
                ? Spectrum.of(tables.transform(length), samples, rateHz, manner.window(), window, integration, usable)
                : manner.averaging()
                        .of(
                                samples,
                                rateHz,
                                tables.transform(length),
                                OVERLAP,
                                manner.window(),
                                window,
                                integration,
                                usable);
    }

    private static int even(int length) {
        return Math.max(16, length / 2 * 2);
    }

    /**
     * Overall values within a band, in m/s², m/s or m.
     *
     * @param samples in m/s², mean and drift already removed; not changed
     * @param spectrum of the same samples as {@link #whole} makes it of one stretch
     */
    BandValues overall(double[] samples, double rateHz, Band band, VibrationQuantity quantity, Spectrum spectrum) {
        Spectrum hann = spectrum.window() == Window.HANN
                ? spectrum
                : whole(samples, rateHz, new Manner(quantity, Window.HANN, 1, Averaging.LINEAR, 0));
        BandLines lines = hann.lines(band);
        return BandValues.of(
                hann.bandRms(band),
                limited(samples, rateHz, band, lines, quantity, BandLimited.POINTS_A_PERIOD * lines.last()));
    }

    private BandLimited limited(
            double[] samples, double rateHz, Band band, BandLines lines, VibrationQuantity quantity, int points) {
        int n = samples.length;
        int ends = (int) Math.min(n / 2.0, Math.max(PERIODS_FADING / band.lowHz() * rateHz, LEAST_FADING * n));
        Taper taper = tables.taper(n, ends);
        return BandLimited.of(
                tables.transform(n),
                tapered(samples, taper),
                taper,
                rateHz,
                lines,
                quantity.integration(),
                points,
                tables::transform);
    }

    /** The lines of a faded record. */
    private double[] tapered(double[] samples, Taper taper) {
        double[] lines = new double[samples.length];
        double[] values = taper.values();
        for (int i = 0; i < lines.length; i++) {
            lines[i] = samples[i] * values[i];
        }
        tables.transform(lines.length).forward(lines);
        return lines;
    }

    /**
     * The signal over time in the quantity's unit. Integrated, it holds what lies within the band alone, and begins and
     * ends where that can be told: the same signal that overall values are taken from.
     */
    Curve.Series overTime(String name, WaveformCapture waveform, VibrationQuantity quantity, Band band) {
        double[] samples = centred(waveform);
        double rateHz = waveform.rateHz();
        if (quantity == VibrationQuantity.ACCELERATION) {
            return new Curve.Series(name, 0, 1 / rateHz, samples, quantity.unit());
        }
        Spectrum spectrum = whole(samples, rateHz, new Manner(quantity, Window.HANN, 1, Averaging.LINEAR, 0));
        BandLimited limited = limited(samples, rateHz, band, spectrum.lines(band), quantity, samples.length);
        double[] values = limited.signal();
        for (int i = 0; i < values.length; i++) {
            values[i] *= quantity.scale();
        }
        return new Curve.Series(name, limited.startSeconds(), 1 / limited.pointsPerSecond(), values, quantity.unit());
    }

    /**
     * The band whose ringing is looked at, as far as the sampling shows it; what is sampled slowly is looked at above a
     * quarter of its range.
     */
    public static Band ringing(double rateHz) {
        double usable = VibrationSettings.usableHz(rateHz);
        return new Band(Math.min(RINGING_FROM_HZ, usable / 4), Math.min(RINGING_TO_HZ, usable));
    }

    /** Spectrum of the envelope of what rings within a band, m/s² RMS, without its mean. */
    public Spectrum envelope(WaveformCapture waveform, Band band) {
        return ringingWithin(waveform, band).spectrum();
    }

    /**
     * The envelope of what rings within a band.
     *
     * @param mean of the envelope, m/s²: how loudly it rings at all
     * @param spectrum m/s² RMS, without the mean
     */
    record Ringing(double mean, Spectrum spectrum) {}

    Ringing ringingWithin(WaveformCapture waveform, Band band) {
        double[] samples = centred(waveform);
        // A jump from the record's end to its beginning would ring like an impact of its own.
        int ends = (int) Math.min(samples.length / 2.0, PERIODS_FADING / band.lowHz() * waveform.rateHz());
        double[] lines = tapered(samples, tables.taper(samples.length, ends));
        Envelope envelope =
                Envelope.of(tables.transform(lines.length), lines, waveform.rateHz(), band, tables::transform);
        double[] values = envelope.values();
        double[] window = tables.window(Window.HANN, values.length);
        double mean = Arrays.stream(values).average().orElse(0);
        Drift.remove(values, window);
        return new Ringing(
                mean,
                Spectrum.of(
                        tables.transform(values.length),
                        values,
                        envelope.rateHz(),
                        Window.HANN,
                        window,
                        Integration.NONE,
                        (band.highHz() - band.lowHz()) / 2));
    }

    /** The acceleration without the sensor's offset and drift, m/s². */
    double[] centred(WaveformCapture waveform) {
        double[] samples = waveform.metresPerSquareSecond();
        Drift.remove(samples, tables.window(Window.HANN, samples.length));
        return samples;
    }
}
