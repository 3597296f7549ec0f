package rovek.core.plant;

import java.util.Map;
import java.util.UUID;

/**
 * What one node says about settings.
 *
 * @param node the node
 * @param name how the node is called where an origin is shown
 * @param values setting key to value, only those the node itself overrides
 */
public record SettingLayer(UUID node, String name, Map<String, String> values) {

    public SettingLayer {
        values = Map.copyOf(values);
    }
}
