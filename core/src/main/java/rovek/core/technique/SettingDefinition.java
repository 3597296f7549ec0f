package rovek.core.technique;

import java.util.Optional;
import rovek.core.entry.Entry;
import rovek.core.unit.KnownUnits;

/**
 * One setting of a technique.
 *
 * @param key as stored
 * @param name as shown
 * @param unit symbol, or blank
 * @param defaultValue holds until a node overrides it
 * @param kind what values it takes
 */
public record SettingDefinition(String key, String name, String unit, String defaultValue, Entry kind) {

    /** Why a value is refused, as a sentence; empty where it is fine. */
    public Optional<String> fault(String value) {
        return kind.fault(name, unit, value);
    }

    /** What is kept of something that was typed, see {@link Entry#kept}. */
    public String kept(String typed, KnownUnits units) {
        return kind.kept(unit, typed, units);
    }
}
