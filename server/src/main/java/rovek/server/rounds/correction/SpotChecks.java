package rovek.server.rounds.correction;

import jakarta.annotation.Nullable;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.judging.reading.ReadingDesk;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantEditor;
import rovek.server.plant.tree.PlantEditor.NewNode;
import rovek.server.plant.tree.PlantNode;
import rovek.server.rounds.correction.Corrections.Corrected;
import rovek.server.rounds.correction.ReadingCorrections.PlacementOf;

/** A check made on the spot from a loose reading: its technique, its settings, at the point where it was taken. */
@Service
public class SpotChecks {

    private final Plant plant;
    private final PlantEditor editor;
    private final Techniques techniques;
    private final ReadingDesk desk;
    private final ReadingCorrections readings;

    SpotChecks(Plant plant, PlantEditor editor, Techniques techniques, ReadingDesk desk, ReadingCorrections readings) {
        this.plant = plant;
        this.editor = editor;
        this.techniques = techniques;
        this.desk = desk;
        this.readings = readings;
    }

    /**
     * Makes the check and places the reading on it, both or neither. Each is undone where it belongs: the check in the
     * plant's history, the placement with the reading.
     *
     * @param nodeId a point; or a machine or part of one, which gets a new point
     * @param point name of the new point; not needed for a point
     * @throws DomainProblem.Invalid where nothing is checked at such a node
     */
    @Transactional
    public Corrected make(UUID readingId, UUID nodeId, @Nullable String point) {
        ReadingDesk.TakenWith taken = desk.takenWith(List.of(readingId)).stream()
                .findFirst()
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.reading")));
        Technique technique = techniques
                .find(taken.technique())
                .orElseThrow(() -> new DomainProblem.Conflict(
                        "no-technique", Sentence.of("base.unknownTechnique", "technique", taken.technique())));
        PlantNode node =
                plant.tree().find(nodeId).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
        UUID at = node.level() == Level.POINT ? nodeId : newPoint(node, point);
        UUID check = editor.add(new NewNode(null, at, Level.CHECK, "", "", null, technique.id(), null))
                .node()
                .id();
        Map<String, String> own = ownSettings(technique, check, taken.settings());
        if (!own.isEmpty()) {
            editor.set(check, own);
        }
        return readings.place(List.of(new PlacementOf(readingId, check)));
    }

    private UUID newPoint(PlantNode node, @Nullable String name) {
        if (node.level() != Level.ASSET && node.level() != Level.PART) {
            throw new DomainProblem.Invalid("nodeId", Sentence.of("rounds.checkPlace"));
        }
        if (name == null || name.isBlank()) {
            throw new DomainProblem.Invalid("point", Sentence.of("rounds.pointName"));
        }
        return editor.add(new NewNode(null, node.id(), Level.POINT, "", name.strip(), null, null, null))
                .node()
                .id();
    }

    /** What the reading was taken with and the check does not have anyway, from above or by default. */
    private Map<String, String> ownSettings(Technique technique, UUID check, Map<String, String> takenWith) {
        Map<String, String> inForce = plant.check(check).settings().values();
        String sensor = technique.sensorUse().map(use -> use.nameKey()).orElse("");
        Map<String, String> own = new HashMap<>();
        takenWith.forEach((key, value) -> {
            if (!key.equals(sensor)
                    && inForce.containsKey(key)
                    && !inForce.get(key).equals(value)) {
                own.put(Facet.setting(technique.id(), key), value);
            }
        });
        return own;
    }
}
