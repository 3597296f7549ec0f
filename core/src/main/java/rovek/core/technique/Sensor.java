package rovek.core.technique;

/**
 * A sensor as checks know it.
 *
 * @param tag by which checks name it, e.g. "ACC-1"
 * @param technique id of the technique it measures for
 * @param sensitivity as of its latest calibration, in the unit of the technique's {@link SensorUse}; above 0
 */
public record Sensor(String tag, String technique, double sensitivity) {

    public Sensor {
        if (!(sensitivity > 0)) {
            throw new IllegalArgumentException("A sensor's sensitivity is above 0, not %s.".formatted(sensitivity));
        }
    }
}
