package rovek.server.plant.tree;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Node;
import rovek.core.plant.Shift;
import rovek.core.wording.Sentence;

/** How a change of nodes that stay reads in the history. */
final class AlterationSentence {

    private AlterationSentence() {}

    static Sentence of(PlantTree tree, List<Alteration> alterations) {
        Optional<Alteration> first = alterations.stream()
                .filter(alteration -> !alteration.facets().isEmpty())
                .findFirst();
        if (first.isEmpty()) {
            return Sentence.of("plant.changedNothing");
        }
        Optional<Node> node = tree.nodes().find(first.get().node());
        Object label = node.<Object>map(Node::title).orElse(Sentence.of("plant.something"));
        Map<String, Shift> facets = first.get().facets();
        boolean onlyNames =
                facets.keySet().stream().allMatch(facet -> facet.equals(Facet.NAME) || facet.equals(Facet.TAG));
        if (onlyNames && alterations.size() == 1) {
            String tag = now(facets, Facet.TAG, node.map(Node::tag));
            String name = now(facets, Facet.NAME, node.map(Node::name));
            return Sentence.of("plant.renamed", "now", (tag + " " + name).strip(), "before", label);
        }
        return Sentence.of("plant.changed", "what", what(facets), "node", label, "more", alterations.size() - 1);
    }

    private static String now(Map<String, Shift> facets, String facet, Optional<String> before) {
        return facets.containsKey(facet) ? facets.get(facet).to() : before.orElse("");
    }

    private static Sentence what(Map<String, Shift> facets) {
        return Sentence.listed(facets.keySet().stream()
                .map(AlterationSentence::kind)
                .distinct()
                .sorted()
                .map(kind -> Sentence.of("plant.facetKind", "kind", kind))
                .toList());
    }

    private static String kind(String facet) {
        int dot = facet.indexOf('.');
        return dot < 0 ? facet : facet.substring(0, dot);
    }
}
