package rovek.server.plant.tree;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import rovek.core.limit.LimitLayers;
import rovek.core.nameplate.Nameplate;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.SettingValues;
import rovek.core.technique.Technique;

/**
 * A check in its place, with its technique and the settings in force.
 *
 * @param nameplate of the check's asset, and of what lies between; the nearer one counts
 * @param limits result id to what is said of it over time; a result of which nothing ever was is left out
 */
public record CheckView(
        PlantNode node,
        PlantNode point,
        PlantNode asset,
        Technique technique,
        SettingValues settings,
        Nameplate nameplate,
        Map<String, LimitLayers> limits) {

    public UUID id() {
        return node.id();
    }

    /** The result that leads: the first one the technique names; empty where its captures are only kept. */
    public Optional<ResultDefinition> leadingResult() {
        return technique.results(settings).stream().findFirst();
    }

    /** The limit of the result that leads, at a time; empty where there is none. */
    public Optional<LimitLayers.InForce> leadingLimit(Instant time) {
        return leadingResult().map(ResultDefinition::id).map(limits::get).flatMap(layers -> layers.at(time));
    }

    /** E.g. "P-101 Drive end". */
    public String place() {
        return (asset.tag().isBlank() ? asset.name() : asset.tag()) + " " + point.name();
    }
}
