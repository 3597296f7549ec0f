package rovek.core.nameplate;

import java.util.List;

/**
 * A kind of asset, after the equipment classes of ISO 14224, with what its nameplate says.
 *
 * @param id as stored
 * @param attributes in the order they are shown
 */
public record AssetClass(String id, String name, List<Attribute> attributes) {

    public AssetClass {
        attributes = List.copyOf(attributes);
    }
}
