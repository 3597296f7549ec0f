package rovek.core.plant.template;

import java.util.Map;
import java.util.Set;
import rovek.core.plant.Facet;

/**
 * One row of a template.
 *
 * @param key stays the same from revision to revision, so that a stamped row finds its part again
 * @param parentKey the part it stands in; blank for the outermost
 * @param facets all that is said of the row, besides where it stands; see {@link rovek.core.plant.Node#facets()}
 */
public record TemplatePart(String key, String parentKey, Map<String, String> facets) {

    /** What is no part of a template: these say where a row stands, not what it is. */
    static final Set<String> OF_THE_PLACE = Set.of(Facet.PARENT, Facet.PLACE, Facet.STAMP);

    public TemplatePart {
        facets = Map.copyOf(facets);
    }

    String facet(String key) {
        return facets.getOrDefault(key, "");
    }
}
