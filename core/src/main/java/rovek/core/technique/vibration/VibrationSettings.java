package rovek.core.technique.vibration;

import java.util.List;
import rovek.core.entry.Entry;
import rovek.core.signal.Band;
import rovek.core.signal.Window;
import rovek.core.technique.SensorUse;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.SettingValues;

/**
 * How a vibration check is made.
 *
 * @param measure velocity or acceleration
 * @param band where overall values are taken
 * @param sensitivityMvPerG of the accelerometer
 * @param rateHz sampling rate
 * @param lines lines of the spectrum up to rate / 2.56; 2.56 x lines samples are taken
 * @param window of the spectrum
 */
record VibrationSettings(
        Measure measure, Band band, double sensitivityMvPerG, double rateHz, int lines, Window window) {

    enum Measure {
        VELOCITY,
        ACCELERATION
    }

    static final String MEASURE = "measure";
    static final String LOW = "bandLowHz";
    static final String HIGH = "bandHighHz";
    static final String SENSOR = "sensor";
    static final String SENSITIVITY = "sensitivityMvPerG";
    static final String RATE = "rateHz";
    static final String LINES = "lines";
    static final String WINDOW = "window";

    static final List<SettingDefinition> DEFINITIONS = List.of(
            new SettingDefinition(
                    MEASURE, "Measured", "", "velocity", new Entry.Choice(List.of("velocity", "acceleration"))),
            new SettingDefinition(LOW, "Band from", "Hz", "10", new Entry.Number(0.1, 40_000)),
            new SettingDefinition(HIGH, "Band to", "Hz", "1000", new Entry.Number(1, 80_000)),
            new SettingDefinition(SENSOR, "Sensor", "", SensorUse.NONE, new Entry.Text(40)),
            new SettingDefinition(SENSITIVITY, "Sensor sensitivity", "mV/g", "100", new Entry.Number(0.1, 10_000)),
            new SettingDefinition(RATE, "Sampling", "Hz", "25600", new Entry.Number(256, 204_800)),
            new SettingDefinition(
                    LINES, "Lines", "", "6400",
                    new Entry.Choice(List.of("400", "800", "1600", "3200", "6400", "12800", "25600"))),
            new SettingDefinition(
                    WINDOW, "Window", "", "Hann", new Entry.Choice(List.of("Hann", "flat-top", "rectangular"))));

    static final SensorUse SENSOR_USE = new SensorUse(SENSOR, SENSITIVITY, "g");

    static VibrationSettings of(SettingValues values) {
        return new VibrationSettings(
                Measure.valueOf(values.text(MEASURE).toUpperCase(java.util.Locale.ROOT)),
                new Band(values.number(LOW), values.number(HIGH)),
                values.number(SENSITIVITY),
                values.number(RATE),
                (int) values.number(LINES),
                switch (values.text(WINDOW)) {
                    case "flat-top" -> Window.FLAT_TOP;
                    case "rectangular" -> Window.RECTANGULAR;
                    default -> Window.HANN;
                });
    }

    int samples() {
        return (int) Math.round(lines * 2.56);
    }

    /** The highest frequency that the anti-aliasing filter of the usual 2.56 sampling leaves trustworthy. */
    static double usableHz(double rateHz) {
        return rateHz / 2.56;
    }
}
