package rovek.server.plant.tree;

import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rovek.core.plant.Alteration;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.PlantChange;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.wording.StoredSentence;

/** Writes a change of the plant into the audit trail: node by node, or as one line where there are very many. */
@Component
class PlantAudit {

    /** Beyond this the line says how many, and the change itself, which is kept for ever, says which. */
    private static final int MOST_NODES_TOLD = 200;

    private final AuditTrail audit;

    PlantAudit(AuditTrail audit) {
        this.audit = audit;
    }

    private record Counts(String sentence, int added, int removed, int altered) {}

    void note(UUID changeId, Sentence sentence, NodeTree before, PlantChange change) {
        if (change.nodes().size() > MOST_NODES_TOLD) {
            audit.note(
                    "change",
                    "plant change",
                    changeId,
                    null,
                    new Counts(
                            StoredSentence.write(sentence),
                            change.added().size(),
                            change.removed().size(),
                            change.altered().size()));
            return;
        }
        change.added().forEach(node -> audit.note("add", "node", node.id(), null, node.facets()));
        change.removed()
                .forEach(node -> audit.note(
                        "remove",
                        "node",
                        node.id(),
                        before.find(node.id()).map(Node::facets).orElse(Map.of()),
                        null));
        for (Alteration alteration : change.altered()) {
            audit.note("change", "node", alteration.node(), values(alteration.inverse()), values(alteration));
        }
    }

    private static Map<String, String> values(Alteration alteration) {
        Map<String, String> values = new TreeMap<>();
        alteration.facets().forEach((facet, shift) -> values.put(facet, shift.to()));
        return values;
    }
}
