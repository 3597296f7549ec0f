package rovek.core.setup;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Map;

/**
 * What a set-up says.
 *
 * @param values field key to value
 * @param rows the repeated part, e.g. one for each channel; field key to value
 */
public record SetupContent(Map<String, String> values, List<Map<String, String>> rows) {

    public SetupContent {
        values = Map.copyOf(values);
        rows = rows.stream().map(Map::copyOf).toList();
    }

    /** @throws NullPointerException where it is not said; a completed one says it */
    String value(String key) {
        return value(values, key);
    }

    /** As {@link #value(String)}, of one of its rows. */
    static String value(Map<String, String> row, String key) {
        return requireNonNull(row.get(key), key);
    }
}
