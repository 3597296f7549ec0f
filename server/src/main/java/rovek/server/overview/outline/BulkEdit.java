package rovek.server.overview.outline;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Node;
import rovek.core.plant.PlantChange;
import rovek.core.unit.KnownUnits;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.people.unit.OwnUnits;
import rovek.server.plant.tree.PlantKnowledge;
import rovek.server.plant.tree.PlantLedger;
import rovek.server.plant.tree.PlantLedger.Proposal;

/** One value for many rows at once: those that a filter finds, or those that were taken by hand. */
@Service
public class BulkEdit {

    private final Outlines outlines;
    private final PlantLedger ledger;
    private final PlantKnowledge knowledge;
    private final OwnUnits units;

    BulkEdit(Outlines outlines, PlantLedger ledger, PlantKnowledge knowledge, OwnUnits units) {
        this.outlines = outlines;
        this.ledger = ledger;
        this.knowledge = knowledge;
        this.units = units;
    }

    /**
     * What is to become of many rows.
     *
     * @param ids the rows; null for all that the filter finds
     * @param facets what is to be said of each of them; blank takes it away
     */
    public record ManyRows(
            @Nullable UUID changeId,
            @Nullable List<UUID> ids,
            @Nullable OutlineFilter filter,
            Map<String, String> facets) {}

    public PlantLedger.Committed change(ManyRows wanted) {
        for (String facet : wanted.facets().keySet()) {
            if (!Facet.isValue(facet) && !facet.equals(Facet.CLASS)) {
                throw new DomainProblem.Invalid(facet, Sentence.of("overview.notForMany", "facet", facet));
            }
        }
        if (wanted.ids() == null && (wanted.filter() == null || wanted.filter().isEmpty())) {
            throw new DomainProblem.Invalid("filter", Sentence.of("overview.whichRows"));
        }
        Map<String, String> facets = kept(wanted.facets());
        List<UUID> ids = wanted.ids() == null ? outlines.hits(wanted.filter()) : wanted.ids();
        return ledger.commit(wanted.changeId() == null ? UUID.randomUUID() : wanted.changeId(), tree -> {
            List<Alteration> alterations = new ArrayList<>();
            for (UUID id : ids) {
                tree.nodes().find(id).ifPresent(node -> {
                    Alteration alteration = alteration(node, facets);
                    if (!alteration.facets().isEmpty()) {
                        alterations.add(alteration);
                    }
                });
            }
            return Proposal.typed(
                    Sentence.of("overview.bulkChanged", "rows", alterations.size()), PlantChange.altering(alterations));
        });
    }

    private static Alteration alteration(Node node, Map<String, String> facets) {
        return Alteration.between(node, node.saying(facets));
    }

    /** Without blanks around it, and a number in the unit of its field, whichever it was typed in. */
    private Map<String, String> kept(Map<String, String> facets) {
        KnownUnits known = units.known();
        Map<String, String> kept = new HashMap<>();
        facets.forEach((facet, value) -> kept.put(facet, knowledge.kept(facet, value.strip(), known)));
        return kept;
    }
}
