package rovek.core.technique.vibration;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import rovek.core.nameplate.Nameplate;
import rovek.core.reading.Capture;
import rovek.core.reading.WaveformCapture;
import rovek.core.signal.Averaging;
import rovek.core.signal.BandValues;
import rovek.core.signal.Spectrum;
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
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * Vibration of machines from an accelerometer's waveform: RMS and true peak of velocity (mm/s), acceleration (m/s²) or
 * displacement (µm) in a band, and the spectrum with narrower bands of its own. Band of 10-1000 Hz and RMS velocity as
 * in ISO 20816-1; the defaults follow it.
 */
public final class Vibration implements Technique {

    /** Fewer periods of the lowest frequency than this and an overall value is chance rather than measurement. */
    static final double LEAST_PERIODS = 5;

    /** It becomes part of the id of a result, which stands in addresses. */
    private static final Pattern NAME_OF_A_BAND = Pattern.compile("[\\p{L}\\p{N} +×.,()-]+");

    private static final int BYTES_BESIDES_SAMPLES = 1_200;

    private final VibrationLook look = new VibrationLook();
    private final VibrationCurves curves = new VibrationCurves(look);

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
        List<Sentence> faults = new ArrayList<>();
        if (high <= low) {
            faults.add(Sentence.of(
                    "vibration.bandFalls",
                    "low",
                    values.text(VibrationSettings.LOW),
                    "high",
                    values.text(VibrationSettings.HIGH)));
        }
        if (high > usable * (1 + 1e-9)) {
            faults.add(Sentence.of(
                    "vibration.bandBeyondRate",
                    "rate",
                    values.text(VibrationSettings.RATE),
                    "usable",
                    usable,
                    "high",
                    values.text(VibrationSettings.HIGH)));
        }
        boolean isIntegrated = !values.text(VibrationSettings.MEASURE).equals(VibrationQuantity.ACCELERATION.word());
        VibrationSettings.bands(values)
                .forEach(band -> bandFault(band, isIntegrated ? low : 0, usable).ifPresent(faults::add));
        if (!faults.isEmpty()) {
            throw new InvalidSettingsException(faults);
        }
        return values;
    }

    @Override
    public List<Sentence> unsuited(SettingValues values) {
        VibrationSettings settings = VibrationSettings.of(values);
        return tooNarrow(settings, settings.rateHz(), settings.samples()).stream()
                .map(band -> Sentence.of(
                        "vibration.bandTooNarrow",
                        "band",
                        band.name(),
                        "width",
                        shortly(band.band().highHz() - band.band().lowHz()),
                        "lines",
                        settings.lines(),
                        "rate",
                        plain(settings.rateHz()),
                        "narrowest",
                        shortly(settings.narrowestHz(settings.rateHz(), settings.samples()))))
                .toList();
    }

    /** Bands that a spectrum of so many samples does not tell from what lies beside them. */
    private static List<VibrationSettings.NamedBand> tooNarrow(VibrationSettings settings, double rateHz, int samples) {
        double narrowest = settings.narrowestHz(rateHz, samples);
        return settings.bands().stream()
                .filter(named -> named.band().highHz() - named.band().lowHz() < narrowest * (1 - 1e-9))
                .toList();
    }

    private static Optional<Sentence> bandFault(VibrationSettings.NamedBand named, double lowest, double usable) {
        if (!NAME_OF_A_BAND.matcher(named.name()).matches()) {
            return Optional.of(Sentence.of("vibration.bandName", "band", named.name()));
        }
        boolean isShown =
                named.band().lowHz() >= lowest * (1 - 1e-9) && named.band().highHz() <= usable * (1 + 1e-9);
        return isShown
                ? Optional.empty()
                : Optional.of(Sentence.of(
                        "vibration.bandOutside",
                        "band",
                        named.name(),
                        "low",
                        plain(lowest),
                        "high",
                        plain(Math.floor(usable))));
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
                // Below 600 rpm the running speed itself lies under 10 Hz (ISO 20816-1); sampled slower, it lasts long
                // enough.
                new Preset(
                        "Velocity 2–1000 Hz",
                        Map.of(
                                VibrationSettings.MEASURE, "velocity",
                                VibrationSettings.LOW, "2",
                                VibrationSettings.RATE, "5120")));
    }

    @Override
    public List<ResultDefinition> results(SettingValues settings) {
        return VibrationResults.of(VibrationSettings.of(settings));
    }

    @Override
    public List<ResultDefinition> everyResult() {
        return VibrationResults.usual();
    }

    @Override
    public ResultDefinition result(String id) {
        return VibrationResults.ofBand(id).orElseGet(() -> Technique.super.result(id));
    }

    /** The zones hold for RMS velocity in the band from 10 Hz, or from 2 Hz below 600 rpm, up to 1000 Hz. */
    @Override
    public List<LimitProposal> proposals(SettingValues values, Nameplate plate) {
        VibrationSettings settings = VibrationSettings.of(values);
        boolean isTheStandardsBand = settings.measure() == VibrationQuantity.VELOCITY
                && settings.band().lowHz() <= 10
                && settings.band().highHz() == 1000;
        return isTheStandardsBand
                ? SeverityZones.velocity(
                                plate,
                                VibrationResults.rms(VibrationQuantity.VELOCITY).id())
                        .stream()
                        .toList()
                : List.of();
    }

    @Override
    public List<Characteristic> characteristics(Nameplate plate) {
        return MachineFrequencies.of(plate);
    }

    @Override
    public List<SettingDefinition> looks() {
        return LookedAt.DEFINITIONS;
    }

    @Override
    public List<Curve> curves(Capture capture, SettingValues values, SettingValues lookValues) {
        VibrationSettings settings = VibrationSettings.of(values);
        if (!(capture instanceof WaveformCapture waveform)
                || !obstacles(waveform, settings).isEmpty()) {
            return List.of();
        }
        return curves.of(waveform, settings, LookedAt.of(lookValues, settings, waveform.rateHz()));
    }

    @Override
    public List<Finding> findings(Capture capture, SettingValues values, Nameplate plate) {
        return capture instanceof WaveformCapture waveform
                ? curves.findings(waveform, VibrationSettings.of(values), characteristics(plate))
                : List.of();
    }

    @Override
    public String checkName(SettingValues values) {
        VibrationSettings settings = VibrationSettings.of(values);
        String word = settings.measure().word();
        String measured = word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
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
            throw new Refused(Sentence.of("vibration.notAWaveform"));
        }
        VibrationSettings settings = VibrationSettings.of(values);
        List<Remark> obstacles = obstacles(waveform, settings);
        if (!obstacles.isEmpty()) {
            return Analysis.refused(obstacles.toArray(Remark[]::new));
        }
        double[] acceleration = look.centred(waveform);
        VibrationQuantity quantity = settings.measure();
        boolean isIntegrated = quantity != VibrationQuantity.ACCELERATION;
        Spectrum whole = look.whole(
                acceleration,
                waveform.rateHz(),
                new VibrationLook.Manner(quantity, settings.window(), 1, Averaging.LINEAR, 0));
        BandValues overall = look.overall(acceleration, waveform.rateHz(), settings.band(), quantity, whole);
        // Integration lifts what lies below the band without measure; those lines are not the machine's.
        Spectrum spectrum = whole.shown(
                quantity.scale(),
                isIntegrated ? settings.band().lowHz() : 0,
                VibrationSettings.usableHz(waveform.rateHz()));
        List<Remark> remarks = new ArrayList<>();
        if (waveform.isOverloaded()) {
            remarks.add(new Remark("overload", Sentence.of("vibration.overload"), true));
        }
        List<VibrationSettings.NamedBand> untold = tooNarrow(settings, waveform.rateHz(), waveform.samples().length);
        untold.forEach(band -> remarks.add(new Remark(
                "narrow",
                Sentence.of(
                        "vibration.bandUntold",
                        "band",
                        band.name(),
                        "narrowest",
                        shortly(settings.narrowestHz(waveform.rateHz(), waveform.samples().length))),
                false)));
        return new Analysis(
                results(settings, overall, whole, untold),
                List.of(
                        new Curve.Lines(
                                VibrationCurves.SPECTRUM,
                                LookedAt.saysOf(settings.window()),
                                spectrum.stepHz(),
                                spectrum.rms(),
                                quantity.unit(),
                                settings.band().highHz(),
                                List.of()),
                        new Curve.Series(
                                VibrationCurves.WAVEFORM,
                                0,
                                1 / waveform.rateHz(),
                                acceleration,
                                UnitCatalogue.METRE_PER_SQUARE_SECOND)),
                remarks);
    }

    private static List<Result> results(
            VibrationSettings settings,
            BandValues overall,
            Spectrum spectrum,
            List<VibrationSettings.NamedBand> untold) {
        VibrationQuantity quantity = settings.measure();
        List<Result> results = new ArrayList<>();
        results.add(result(VibrationResults.rms(quantity), overall.rms() * quantity.scale()));
        results.add(result(VibrationResults.peak(quantity), overall.peak() * quantity.scale()));
        if (quantity == VibrationQuantity.ACCELERATION && overall.rms() > 0) {
            results.add(result(VibrationResults.CREST, overall.crest()));
            results.add(result(VibrationResults.KURTOSIS, overall.kurtosis()));
        }
        settings.bands().stream()
                .filter(band -> !untold.contains(band))
                .forEach(band -> results.add(result(
                        VibrationResults.band(quantity, band.name()),
                        spectrum.bandRms(band.band()) * quantity.scale())));
        return results;
    }

    private static Result result(ResultDefinition definition, double value) {
        return new Result(definition, new Amount(value, definition.unit()));
    }

    private static List<Remark> obstacles(WaveformCapture waveform, VibrationSettings settings) {
        List<Remark> obstacles = new ArrayList<>();
        double usable = VibrationSettings.usableHz(waveform.rateHz());
        double highest = settings.bands().stream()
                .mapToDouble(named -> named.band().highHz())
                .reduce(settings.band().highHz(), Math::max);
        if (highest > usable * (1 + 1e-9)) {
            obstacles.add(new Remark(
                    "sampling",
                    Sentence.of(
                            "vibration.sampledTooSlow",
                            "rate",
                            waveform.rateHz(),
                            "usable",
                            usable,
                            "highest",
                            highest),
                    true));
        }
        if (waveform.durationSeconds() * settings.band().lowHz() < LEAST_PERIODS) {
            obstacles.add(new Remark(
                    "short",
                    Sentence.of(
                            "vibration.tooShort",
                            "seconds",
                            waveform.durationSeconds(),
                            "periods",
                            LEAST_PERIODS,
                            "lowest",
                            plain(settings.band().lowHz())),
                    true));
        }
        return obstacles;
    }

    private static String shortly(double hz) {
        return BigDecimal.valueOf(hz)
                .round(new MathContext(3))
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String plain(double number) {
        return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
    }
}
