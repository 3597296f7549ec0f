package rovek.server.base.wording;

import java.util.List;
import rovek.core.entry.Entry;
import rovek.core.wording.Sentence;

/**
 * One of a few to choose from.
 *
 * @param value as it is stored
 * @param name as it is shown
 */
public record Option(String value, Sentence name) {

    /** Words of the program's own. */
    public static List<Option> of(List<String> words) {
        return words.stream().map(Option::of).toList();
    }

    public static Option of(String word) {
        return new Option(word, Entry.option(word));
    }

    /** What people have named. */
    public static Option named(String name) {
        return new Option(name, Sentence.plain(name));
    }
}
