package rovek.core.plant.exchange;

import java.util.Map;
import java.util.Optional;
import rovek.core.plant.template.Template;

/** What an import has to ask of others. */
public interface ImportKnowledge {

    /** A ready-made check: a technique and the settings in which it differs from the technique's defaults. */
    record ReadyMade(String technique, Map<String, String> settings) {}

    Optional<Template> template(String name);

    Optional<ReadyMade> check(String name);

    /** Why a facet does not take a value, as a sentence; empty where it does. */
    Optional<String> fault(String facet, String value);
}
