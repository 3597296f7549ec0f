package rovek.core.plant;

import java.util.Locale;
import java.util.Optional;
import rovek.core.wording.Sentence;

/**
 * The levels of the plant, outermost first, after the taxonomy of ISO 14224 and the equipment hierarchy of IEC 62264. A
 * check is kept as the innermost level, so that it is added, moved and undone like everything above it.
 */
public enum Level {
    CLIENT,
    SITE,
    AREA,
    SYSTEM,
    ASSET,
    PART,
    POINT,
    CHECK;

    /**
     * Whether a node of this level may directly hold one of the other: always deeper, and only a point holds checks.
     */
    public boolean mayHold(Level child) {
        if (child == CHECK) {
            return this == POINT;
        }
        boolean nests = this == SYSTEM || this == ASSET || this == PART;
        return child.ordinal() > ordinal() || (nests && child == this);
    }

    /** The level a new child gets unless one is chosen: client, site, area, asset, point, check. */
    public Level usualChild() {
        return switch (this) {
            case CLIENT -> SITE;
            case SITE -> AREA;
            case AREA, SYSTEM -> ASSET;
            case ASSET, PART -> POINT;
            case POINT -> CHECK;
            case CHECK -> throw new IllegalStateException("A check holds nothing.");
        };
    }

    public Sentence called() {
        return Sentence.of("plant.level", "level", name().toLowerCase(Locale.ROOT));
    }

    /**
     * What is said where it does not belong.
     *
     * @param parent empty for the top of the plant
     */
    public Sentence misplacedIn(Optional<Level> parent) {
        return parent.map(in -> Sentence.of("plant.notInLevel", "level", called(), "parent", in.called()))
                .orElseGet(() -> Sentence.of("plant.notAtTop", "level", called()));
    }

    /** Whether nodes of this level carry a tag plate. */
    public boolean isTagged() {
        return this == SYSTEM || this == ASSET;
    }
}
