package rovek.core.plant.exchange;

import java.util.Map;
import java.util.Optional;
import rovek.core.plant.template.Template;
import rovek.core.wording.Sentence;

/** What an import has to ask of others. */
public interface ImportKnowledge {

    /** A ready-made check: a technique and the settings in which it differs from the technique's defaults. */
    record ReadyMade(String technique, Map<String, String> settings) {}

    Optional<Template> template(String name);

    Optional<ReadyMade> check(String name);

    /** What is kept of a value as it stands in the table: numbers in the unit of their field. */
    String kept(String facet, String typed);

    /** Why a facet does not take a value, as a sentence; empty where it does. */
    Optional<Sentence> fault(String facet, String value);
}
