package rovek.core.plant;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Settings flow down the plant until a node overrides them. */
public final class Inheritance {

    private Inheritance() {}

    /**
     * Resolves every setting that has a default.
     *
     * @param defaults key to default value; these are the keys of the outcome, in this order
     * @param outermostFirst the nodes from the client down to the node in question, which comes last
     * @return key to value in force and its origin; keys without default are left out
     */
    public static Map<String, EffectiveSetting> resolve(
            Map<String, String> defaults, List<SettingLayer> outermostFirst) {
        Map<String, EffectiveSetting> effective = new LinkedHashMap<>();
        defaults.forEach((key, value) -> effective.put(key, resolve(key, value, outermostFirst)));
        return effective;
    }

    private static EffectiveSetting resolve(String key, String defaultValue, List<SettingLayer> layers) {
        String value = defaultValue;
        Optional<SettingLayer> origin = Optional.empty();
        Optional<String> overridden = Optional.empty();
        for (int i = 0; i < layers.size(); i++) {
            String own = layers.get(i).values().get(key);
            if (own == null) {
                continue;
            }
            if (i == layers.size() - 1) {
                overridden = Optional.of(value);
            }
            value = own;
            origin = Optional.of(layers.get(i));
        }
        return new EffectiveSetting(value, origin, overridden);
    }
}
