package rovek.core.plant;

import java.util.Optional;

/**
 * A setting's value together with where it comes from.
 *
 * @param value the value in force
 * @param origin the node that says so; empty where it is the technique's default
 * @param overridden what would hold without the last node's own value; empty where that node says nothing
 */
public record EffectiveSetting(String value, Optional<SettingLayer> origin, Optional<String> overridden) {}
