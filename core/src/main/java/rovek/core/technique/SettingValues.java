package rovek.core.technique;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rovek.core.wording.Sentence;

/**
 * The values of all settings of a technique, checked; whatever was not given stands at its default.
 *
 * @param values key to value
 */
public record SettingValues(Map<String, String> values) {

    public SettingValues {
        values = Map.copyOf(values);
    }

    /**
     * @param group whose settings these are, see {@link SettingDefinition#called}
     * @param given key to value; keys the technique does not know are left out
     * @throws InvalidSettingsException naming every fault at once
     */
    public static SettingValues of(String group, List<SettingDefinition> definitions, Map<String, String> given) {
        Map<String, String> values = new LinkedHashMap<>();
        List<Sentence> faults = new ArrayList<>();
        for (SettingDefinition definition : definitions) {
            String value = given.getOrDefault(definition.key(), definition.defaultValue());
            definition.fault(group, value).ifPresent(faults::add);
            values.put(definition.key(), value);
        }
        if (!faults.isEmpty()) {
            throw new InvalidSettingsException(faults);
        }
        return new SettingValues(values);
    }

    public String text(String key) {
        String value = values.get(key);
        if (value == null) {
            throw new IllegalArgumentException("There is no setting \"%s\".".formatted(key));
        }
        return value;
    }

    public double number(String key) {
        return Double.parseDouble(text(key));
    }
}
