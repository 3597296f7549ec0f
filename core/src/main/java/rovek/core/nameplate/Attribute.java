package rovek.core.nameplate;

import java.util.List;
import java.util.Optional;
import rovek.core.entry.Entry;
import rovek.core.unit.KnownUnits;
import rovek.core.wording.Sentence;

/**
 * One line of a nameplate.
 *
 * @param key as stored
 * @param name as shown
 * @param unit symbol, or blank
 * @param kind what values it takes
 */
public record Attribute(String key, String name, String unit, Entry kind) {

    private static final int LONGEST_TEXT = 400;

    static Attribute number(String key, String name, String unit, double least, double largest) {
        return new Attribute(key, name, unit, new Entry.Number(least, largest));
    }

    static Attribute choice(String key, String name, String... options) {
        return new Attribute(key, name, "", new Entry.Choice(List.of(options)));
    }

    static Attribute text(String key, String name) {
        return new Attribute(key, name, "", new Entry.Text(LONGEST_TEXT));
    }

    public Sentence called() {
        return Sentence.named("names.plate:" + key, name);
    }

    /** Why a value is refused, as a sentence; empty where it is fine. */
    public Optional<Sentence> fault(String value) {
        return kind.fault(called(), unit, value);
    }

    /** What is kept of something that was typed, see {@link Entry#kept}. */
    public String kept(String typed, KnownUnits units) {
        return kind.kept(unit, typed, units);
    }
}
