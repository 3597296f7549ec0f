package rovek.core.plant;

import java.util.List;
import java.util.UUID;
import rovek.core.wording.Sentence;

/** Somebody else changed the same thing first. Nothing was changed; both are told, so that a person can choose. */
public final class PlantConflictException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient List<Clash> clashes;

    /**
     * One facet that two people changed.
     *
     * @param label how the node is called now
     * @param facet key of what both changed
     * @param seen what the later of the two had before their eyes
     * @param theirs what the earlier one made of it, as it stands now
     * @param yours what the later one wants
     */
    public record Clash(UUID node, Sentence label, String facet, String seen, String theirs, String yours) {}

    public PlantConflictException(List<Clash> clashes) {
        super("contradiction");
        this.clashes = List.copyOf(clashes);
    }

    public List<Clash> clashes() {
        return clashes;
    }
}
