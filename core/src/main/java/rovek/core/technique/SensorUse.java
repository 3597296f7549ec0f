package rovek.core.technique;

import static java.util.Objects.requireNonNull;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import rovek.core.plant.EffectiveSetting;

/**
 * How a technique's settings name a sensor. Where one is named, its own sensitivity is in force, whatever a node says:
 * the number engraved on a certificate beats a number typed.
 *
 * @param nameKey setting that holds the sensor's tag, or {@value #NONE}
 * @param sensitivityKey setting that the sensor answers
 * @param quantityUnit of what it measures, for its range, e.g. "g"
 */
public record SensorUse(String nameKey, String sensitivityKey, String quantityUnit) {

    /** Where no sensor is named and the sensitivity is typed. */
    public static final String NONE = "none";

    /** The tag of the sensor these settings name; empty for none. */
    public Optional<String> named(Map<String, EffectiveSetting> settings) {
        return Optional.of(requireNonNull(settings.get(nameKey)).value()).filter(tag -> !tag.equals(NONE));
    }

    /**
     * The settings with the sensor's sensitivity in place of a typed one. Its origin is the node that names the sensor.
     *
     * @param sensors by tag; one that is not among them changes nothing
     */
    public Map<String, EffectiveSetting> applied(Map<String, EffectiveSetting> settings, Map<String, Sensor> sensors) {
        Optional<Sensor> sensor = named(settings).map(sensors::get);
        if (sensor.isEmpty()) {
            return settings;
        }
        Map<String, EffectiveSetting> applied = new LinkedHashMap<>(settings);
        applied.put(
                sensitivityKey,
                new EffectiveSetting(
                        plain(sensor.get().sensitivity()),
                        requireNonNull(settings.get(nameKey)).origin(),
                        requireNonNull(settings.get(sensitivityKey)).overridden()));
        return applied;
    }

    private static String plain(double number) {
        return number == Math.rint(number) && Math.abs(number) < 1e15
                ? String.valueOf((long) number)
                : String.valueOf(number);
    }
}
