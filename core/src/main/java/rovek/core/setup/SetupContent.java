package rovek.core.setup;

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
}
