package rovek.core.technique.vibration;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Map;
import rovek.core.entry.Entry;
import rovek.core.entry.NamedRanges;
import rovek.core.signal.Band;
import rovek.core.signal.Spectrum;
import rovek.core.signal.Window;
import rovek.core.technique.SensorUse;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.SettingValues;

/**
 * How a vibration check is made.
 *
 * @param measure what is judged
 * @param band where overall values are taken
 * @param sensitivityMvPerG of the accelerometer
 * @param rateHz sampling rate
 * @param lines lines of the spectrum up to rate / 2.56; 2.56 x lines samples are taken
 * @param window of the spectrum
 * @param bands narrower ones, whose RMS is taken besides
 */
record VibrationSettings(
        VibrationQuantity measure,
        Band band,
        double sensitivityMvPerG,
        double rateHz,
        int lines,
        Window window,
        List<NamedBand> bands) {

    /** A narrower band with its name. */
    record NamedBand(String name, Band band) {}

    static final String MEASURE = "measure";
    static final String LOW = "bandLowHz";
    static final String HIGH = "bandHighHz";
    static final String SENSOR = "sensor";
    static final String SENSITIVITY = "sensitivityMvPerG";
    static final String RATE = "rateHz";
    static final String LINES = "lines";
    static final String WINDOW = "window";
    static final String BANDS = "bandsHz";

    private static final NamedRanges NAMED_BANDS = new NamedRanges(6, false, 0.1);

    /** The windows by the words that settings use. */
    static final Map<String, Window> WINDOWS =
            Map.of("Hann", Window.HANN, "flat-top", Window.FLAT_TOP, "rectangular", Window.RECTANGULAR);

    static final List<SettingDefinition> DEFINITIONS = List.of(
            new SettingDefinition(
                    MEASURE,
                    "Measured",
                    "",
                    "velocity",
                    new Entry.Choice(List.of("velocity", "acceleration", "displacement"))),
            new SettingDefinition(LOW, "Band from", "Hz", "10", new Entry.Number(0.1, 40_000)),
            new SettingDefinition(HIGH, "Band to", "Hz", "1000", new Entry.Number(1, 80_000)),
            new SettingDefinition(SENSOR, "Sensor", "", SensorUse.NONE, new Entry.Text(40)),
            new SettingDefinition(SENSITIVITY, "Sensor sensitivity", "mV/g", "100", new Entry.Number(0.1, 10_000)),
            new SettingDefinition(RATE, "Sampling", "Hz", "25600", new Entry.Number(256, 204_800)),
            new SettingDefinition(
                    LINES,
                    "Lines",
                    "",
                    "6400",
                    new Entry.Choice(List.of("400", "800", "1600", "3200", "6400", "12800", "25600"))),
            new SettingDefinition(
                    WINDOW, "Window", "", "Hann", new Entry.Choice(List.of("Hann", "flat-top", "rectangular"))),
            new SettingDefinition(BANDS, "Bands in the spectrum", "Hz", "", NAMED_BANDS));

    static final SensorUse SENSOR_USE = new SensorUse(SENSOR, SENSITIVITY, "g");

    static VibrationSettings of(SettingValues values) {
        return new VibrationSettings(
                VibrationQuantity.of(values.text(MEASURE)),
                new Band(values.number(LOW), values.number(HIGH)),
                values.number(SENSITIVITY),
                values.number(RATE),
                (int) values.number(LINES),
                requireNonNull(WINDOWS.get(values.text(WINDOW))),
                bands(values));
    }

    static List<NamedBand> bands(SettingValues values) {
        return NAMED_BANDS.read(values.text(BANDS)).stream()
                .map(one -> new NamedBand(one.name(), new Band(one.low(), one.high())))
                .toList();
    }

    int samples() {
        return (int) Math.round(lines * 2.56);
    }

    /** The narrowest band that a spectrum of so many samples tells, Hz. */
    double narrowestHz(double rateHz, int samples) {
        return Spectrum.narrowestHz(rateHz / samples, window);
    }

    /** The highest frequency that the anti-aliasing filter of the usual 2.56 sampling leaves trustworthy. */
    static double usableHz(double rateHz) {
        return rateHz / 2.56;
    }
}
