package rovek.core.technique;

import java.util.Optional;
import rovek.core.entry.Entry;
import rovek.core.unit.KnownUnits;
import rovek.core.wording.Sentence;

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

    /** @param group whose settings these are, e.g. {@code setting:vibration.} */
    public Sentence called(String group) {
        return Sentence.named("names." + group + key, name);
    }

    /** Why a value is refused, as a sentence; empty where it is fine. */
    public Optional<Sentence> fault(String group, String value) {
        return kind.fault(called(group), unit, value);
    }

    /** What is kept of something that was typed, see {@link Entry#kept}. */
    public String kept(String typed, KnownUnits units) {
        return kind.kept(unit, typed, units);
    }
}
