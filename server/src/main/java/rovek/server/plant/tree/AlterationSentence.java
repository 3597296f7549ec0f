package rovek.server.plant.tree;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Node;
import rovek.core.plant.Shift;

/** How a change of nodes that stay reads in the history. */
final class AlterationSentence {

    private AlterationSentence() {}

    static String of(PlantTree tree, List<Alteration> alterations) {
        Optional<Alteration> first = alterations.stream()
                .filter(alteration -> !alteration.facets().isEmpty())
                .findFirst();
        if (first.isEmpty()) {
            return "Changed nothing";
        }
        Node node = tree.nodes().find(first.get().node()).orElse(null);
        String label = node == null ? "something" : node.title();
        Map<String, Shift> facets = first.get().facets();
        if (alterations.size() > 1) {
            return "Changed %s of %s and %d more".formatted(what(facets), label, alterations.size() - 1);
        }
        boolean onlyNames =
                facets.keySet().stream().allMatch(facet -> facet.equals(Facet.NAME) || facet.equals(Facet.TAG));
        if (onlyNames) {
            String tag = facets.containsKey(Facet.TAG) ? facets.get(Facet.TAG).to() : node == null ? "" : node.tag();
            String name =
                    facets.containsKey(Facet.NAME) ? facets.get(Facet.NAME).to() : node == null ? "" : node.name();
            return "Named %s, before %s".formatted((tag + " " + name).strip(), label);
        }
        return "Changed %s of %s".formatted(what(facets), label);
    }

    private static String what(Map<String, Shift> facets) {
        return facets.keySet().stream()
                .map(facet -> facet.startsWith(Facet.SETTING)
                        ? "how it is measured"
                        : facet.startsWith(Facet.LIMIT)
                                ? "limits"
                                : facet.startsWith(Facet.NAMEPLATE) ? "nameplate" : facet)
                .distinct()
                .sorted()
                .reduce((a, b) -> a + ", " + b)
                .orElse("nothing");
    }
}
