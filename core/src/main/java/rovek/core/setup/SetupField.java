package rovek.core.setup;

import java.util.Map;
import java.util.Set;
import rovek.core.technique.SettingDefinition;

/**
 * One field of a set-up's form.
 *
 * @param whenKey key of the field that decides whether this one is asked for; blank where it always is
 * @param whenValues what that field says where this one is asked for
 */
public record SetupField(SettingDefinition definition, String whenKey, Set<String> whenValues) {

    public SetupField {
        whenValues = Set.copyOf(whenValues);
    }

    static SetupField always(SettingDefinition definition) {
        return new SetupField(definition, "", Set.of());
    }

    static SetupField when(String key, String value, SettingDefinition definition) {
        return new SetupField(definition, key, Set.of(value));
    }

    public String key() {
        return definition.key();
    }

    /** Whether it is asked for, given what the others say. */
    public boolean isAsked(Map<String, String> values) {
        return whenKey.isEmpty() || whenValues.contains(values.getOrDefault(whenKey, ""));
    }
}
