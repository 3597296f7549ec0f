package rovek.core.technique.vibration;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import rovek.core.technique.Sense;
import rovek.core.reading.Capture;
import rovek.core.reading.WaveformCapture;
import rovek.core.signal.Averaging;
import rovek.core.signal.Band;
import rovek.core.signal.BandValues;
import rovek.core.signal.FourierTransform;
import rovek.core.signal.Integration;
import rovek.core.signal.Spectrum;
import rovek.core.signal.Window;
import rovek.core.nameplate.Nameplate;
import rovek.core.technique.Analysis;
import rovek.core.technique.Characteristic;
import rovek.core.technique.Curve;
import rovek.core.technique.Finding;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.technique.LimitProposal;
import rovek.core.technique.Remark;
import rovek.core.technique.Result;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.SensorUse;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.SettingValues;
import rovek.core.technique.StopDemand;
import rovek.core.technique.Technique;
import rovek.core.technique.vibration.VibrationSettings.Measure;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;

/**
 * Vibration of machines from an accelerometer's waveform: RMS and true peak of velocity (mm/s) or acceleration (m/s²) in a
 * band, and the spectrum. Band of 10-1000 Hz and RMS velocity as in ISO 20816-1; the defaults follow it.
 */
public final class Vibration implements Technique {

    /** Fewer periods of the lowest frequency than this and an overall value is chance rather than measurement. */
    static final double LEAST_PERIODS = 5;

    private static final String SPECTRUM = "Spectrum";
    private static final String ENVELOPE = "Envelope";
    private static final String VELOCITY = "Velocity";
    private static final double VELOCITY_FROM_HZ = 10;
    private static final double VELOCITY_TO_HZ = 1_000;

    private static final int BYTES_BESIDES_SAMPLES = 1_200;

    private static final ResultDefinition VELOCITY_RMS =
            definition("velocity.rms", "velocity RMS", "RMS", UnitCatalogue.MILLIMETRE_PER_SECOND);
    private static final ResultDefinition VELOCITY_PEAK =
            definition("velocity.peak", "velocity peak", "peak", UnitCatalogue.MILLIMETRE_PER_SECOND);
    private static final ResultDefinition ACCELERATION_RMS =
            definition("acceleration.rms", "acceleration RMS", "RMS", UnitCatalogue.METRE_PER_SQUARE_SECOND);
    private static final ResultDefinition ACCELERATION_PEAK =
            definition("acceleration.peak", "acceleration peak", "peak", UnitCatalogue.METRE_PER_SQUARE_SECOND);

    private final VibrationLook look = new VibrationLook();
    private final Map<Integer, FourierTransform> transforms = new ConcurrentHashMap<>();
    private final Map<Window, Map<Integer, double[]>> windows = new ConcurrentHashMap<>();

    private static ResultDefinition definition(String id, String name, String statistic, UnitOfMeasure unit) {
        return new ResultDefinition(id, name, statistic, unit, Sense.HIGHER_IS_WORSE);
    }

    @Override
    public String id() {
        return "vibration";
    }

    @Override
    public String name() {
        return "Vibration";
    }

    @Override
    public List<SettingDefinition> settings() {
        return VibrationSettings.DEFINITIONS;
    }

    @Override
    public Optional<SensorUse> sensorUse() {
        return Optional.of(VibrationSettings.SENSOR_USE);
    }

    /** Besides each value's own range: the band must rise, and end where the sampling can still be trusted. */
    @Override
    public SettingValues settingsOf(Map<String, String> given) {
        SettingValues values = Technique.super.settingsOf(given);
        double low = values.number(VibrationSettings.LOW);
        double high = values.number(VibrationSettings.HIGH);
        double usable = VibrationSettings.usableHz(values.number(VibrationSettings.RATE));
        List<String> faults = new ArrayList<>();
        if (high <= low) {
            faults.add("The band must end above where it begins, not run from %s to %s Hz."
                    .formatted(values.text(VibrationSettings.LOW), values.text(VibrationSettings.HIGH)));
        }
        if (high > usable * (1 + 1e-9)) {
            faults.add("Sampling at %s Hz measures up to %.0f Hz; the band ends at %s Hz."
                    .formatted(values.text(VibrationSettings.RATE), usable, values.text(VibrationSettings.HIGH)));
        }
        if (!faults.isEmpty()) {
            throw new InvalidSettingsException(faults);
        }
        return values;
    }

    @Override
    public List<Preset> presets() {
        return List.of(
                new Preset("Velocity 10–1000 Hz", Map.of(VibrationSettings.MEASURE, "velocity")),
                new Preset(
                        "Acceleration 1–10 kHz",
                        Map.of(
                                VibrationSettings.MEASURE, "acceleration",
                                VibrationSettings.LOW, "1000",
                                VibrationSettings.HIGH, "10000")),
                // Below 600 rpm the running speed itself lies under 10 Hz (ISO 20816-1); sampled slower, it lasts long enough.
                new Preset(
                        "Velocity 2–1000 Hz",
                        Map.of(
                                VibrationSettings.MEASURE, "velocity",
                                VibrationSettings.LOW, "2",
                                VibrationSettings.RATE, "5120")));
    }

    @Override
    public List<ResultDefinition> results(SettingValues settings) {
        return VibrationSettings.of(settings).measure() == Measure.VELOCITY
                ? List.of(VELOCITY_RMS, VELOCITY_PEAK)
                : List.of(ACCELERATION_RMS, ACCELERATION_PEAK);
    }

    @Override
    public List<ResultDefinition> everyResult() {
        return List.of(VELOCITY_RMS, VELOCITY_PEAK, ACCELERATION_RMS, ACCELERATION_PEAK);
    }

    /** The zones hold for RMS velocity in the band from 10 Hz, or from 2 Hz below 600 rpm, up to 1000 Hz. */
    @Override
    public List<LimitProposal> proposals(SettingValues values, Nameplate plate) {
        VibrationSettings settings = VibrationSettings.of(values);
        boolean isTheStandardsBand = settings.measure() == Measure.VELOCITY && settings.band().lowHz() <= 10 && settings.band().highHz() == 1000;
        return isTheStandardsBand ? SeverityZones.velocity(plate, VELOCITY_RMS.id()).stream().toList() : List.of();
    }

    @Override
    public List<Characteristic> characteristics(Nameplate plate) {
        return MachineFrequencies.of(plate);
    }

    /** Besides its own spectrum the envelope of what rings, and the velocity where another quantity is judged. */
    @Override
    public List<Curve> curves(Capture capture, SettingValues values) {
        List<Curve> curves = new ArrayList<>(analyse(capture, values).curves());
        machineSpectra(capture, values).ifPresent(spectra -> {
            curves.add(new Curve.Lines(ENVELOPE, spectra.envelope().stepHz(), spectra.envelope().rms(), UnitCatalogue.METRE_PER_SQUARE_SECOND));
            if (VibrationSettings.of(values).measure() != Measure.VELOCITY) {
                curves.add(new Curve.Lines(VELOCITY, spectra.velocity().stepHz(), spectra.velocity().rms(), UnitCatalogue.MILLIMETRE_PER_SECOND));
            }
        });
        return curves;
    }

    @Override
    public List<Finding> findings(Capture capture, SettingValues values, Nameplate plate) {
        String velocityCurve = VibrationSettings.of(values).measure() == Measure.VELOCITY ? SPECTRUM : VELOCITY;
        return machineSpectra(capture, values)
                .map(spectra -> Diagnosis.of(spectra.velocity(), velocityCurve, spectra.envelope(), ENVELOPE, characteristics(plate), spectra.band()))
                .orElse(List.of());
    }

    /** In which a machine shows itself: velocity in a band, and the envelope of what rings above. */
    private record MachineSpectra(Spectrum velocity, Band band, Spectrum envelope) {}

    /** @return empty where the capture is too short or overloaded, and shows nothing of the machine */
    private Optional<MachineSpectra> machineSpectra(Capture capture, SettingValues values) {
        if (!(capture instanceof WaveformCapture waveform) || waveform.isOverloaded()) {
            return Optional.empty();
        }
        VibrationSettings settings = VibrationSettings.of(values);
        double low = settings.measure() == Measure.VELOCITY ? settings.band().lowHz() : VELOCITY_FROM_HZ;
        double high = Math.min(VELOCITY_TO_HZ, VibrationSettings.usableHz(waveform.rateHz()));
        if (waveform.durationSeconds() * low < LEAST_PERIODS || high <= low) {
            return Optional.empty();
        }
        Spectrum velocity = look.spectrum(
                waveform, new VibrationLook.Manner(VibrationLook.Quantity.VELOCITY, settings.window(), 1, Averaging.LINEAR, low));
        return Optional.of(new MachineSpectra(velocity, new Band(low, high), look.envelope(waveform, VibrationLook.ringing(waveform.rateHz()))));
    }

    @Override
    public String checkName(SettingValues values) {
        VibrationSettings settings = VibrationSettings.of(values);
        String measured = settings.measure() == Measure.VELOCITY ? "Velocity" : "Acceleration";
        double low = settings.band().lowHz();
        double high = settings.band().highHz();
        return low >= 1000
                ? "%s %s–%s kHz".formatted(measured, plain(low / 1000), plain(high / 1000))
                : "%s %s–%s Hz".formatted(measured, plain(low), plain(high));
    }

    @Override
    public StopDemand demand(SettingValues values) {
        VibrationSettings settings = VibrationSettings.of(values);
        long bytes = 4L * settings.samples() + BYTES_BESIDES_SAMPLES;
        return new StopDemand(bytes, settings.samples() / settings.rateHz(), Set.of());
    }

    /** What stands still makes no measurement: an accelerometer on a machine that runs always shows something. */
    @Override
    public boolean zeroIsNothing() {
        return true;
    }

    @Override
    public Analysis analyse(Capture capture, SettingValues values) {
        if (!(capture instanceof WaveformCapture waveform)) {
            throw new IllegalArgumentException("This is no vibration waveform.");
        }
        VibrationSettings settings = VibrationSettings.of(values);
        List<Remark> obstacles = obstacles(waveform, settings);
        if (!obstacles.isEmpty()) {
            return Analysis.refused(obstacles.toArray(Remark[]::new));
        }
        double[] acceleration = waveform.metresPerSquareSecond();
        VibrationLook.removeMean(acceleration);
        FourierTransform fourier = transforms.computeIfAbsent(acceleration.length, FourierTransform::new);
        Integration integration =
                settings.measure() == Measure.VELOCITY ? Integration.TO_VELOCITY : Integration.NONE;
        // Results are in mm/s, integration of m/s² gives m/s.
        double scale = settings.measure() == Measure.VELOCITY ? 1000 : 1;
        Spectrum spectrum = spectrum(waveform, settings, acceleration, fourier, integration);
        double[] lines = acceleration.clone();
        fourier.forward(lines);
        BandValues overall = BandValues.of(fourier, lines, waveform.rateHz(), settings.band(), integration);
        List<ResultDefinition> definitions = results(values);
        UnitOfMeasure unit = definitions.get(0).unit();
        List<Remark> remarks = waveform.isOverloaded()
                ? List.of(new Remark("overload", "The sensor was overloaded: the true value may be higher.", true))
                : List.of();
        return new Analysis(
                List.of(
                        new Result(definitions.get(0), new Amount(overall.rms() * scale, unit)),
                        new Result(definitions.get(1), new Amount(overall.peak() * scale, unit))),
                List.of(
                        new Curve.Lines(SPECTRUM, spectrum.stepHz(), scaled(spectrum.rms(), scale), unit),
                        new Curve.Series(
                                "Waveform", 1 / waveform.rateHz(), acceleration, UnitCatalogue.METRE_PER_SQUARE_SECOND)),
                remarks);
    }

    private Spectrum spectrum(
            WaveformCapture waveform,
            VibrationSettings settings,
            double[] acceleration,
            FourierTransform fourier,
            Integration integration) {
        double[] window = windows.computeIfAbsent(settings.window(), kind -> new ConcurrentHashMap<>())
                .computeIfAbsent(acceleration.length, settings.window()::values);
        double highestHz = VibrationSettings.usableHz(waveform.rateHz());
        Spectrum spectrum = Spectrum.of(
                fourier, acceleration, waveform.rateHz(), settings.window(), window, integration, highestHz);
        if (integration != Integration.NONE) {
            // Integration lifts what lies below the band without measure; those lines are not the machine's.
            int first = Math.min(settings.band().firstLine(spectrum.stepHz()), spectrum.rms().length);
            java.util.Arrays.fill(spectrum.rms(), 0, first, 0);
        }
        return spectrum;
    }

    private static List<Remark> obstacles(WaveformCapture waveform, VibrationSettings settings) {
        List<Remark> obstacles = new ArrayList<>();
        double usable = VibrationSettings.usableHz(waveform.rateHz());
        if (settings.band().highHz() > usable * (1 + 1e-9)) {
            obstacles.add(new Remark(
                    "sampling",
                    String.format(
                            Locale.ROOT,
                            "The waveform was sampled at %.0f Hz and shows up to %.0f Hz; the band ends at %.0f Hz.",
                            waveform.rateHz(), usable, settings.band().highHz()),
                    true));
        }
        if (waveform.durationSeconds() * settings.band().lowHz() < LEAST_PERIODS) {
            obstacles.add(new Remark(
                    "short",
                    String.format(
                            Locale.ROOT,
                            "The waveform lasts %.3f s, less than %.0f periods of the lowest frequency, %s Hz.",
                            waveform.durationSeconds(), LEAST_PERIODS, plain(settings.band().lowHz())),
                    true));
        }
        return obstacles;
    }

    private static double[] scaled(double[] values, double factor) {
        double[] scaled = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            scaled[i] = values[i] * factor;
        }
        return scaled;
    }

    private static String plain(double number) {
        return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
    }
}
