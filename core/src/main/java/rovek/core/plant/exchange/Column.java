package rovek.core.plant.exchange;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import rovek.core.plant.Facet;

/**
 * The columns of a plant written as a table; any others are facets of a node, see
 * {@link rovek.core.plant.Node#facets()}.
 */
public final class Column {

    public static final String LEVEL = Facet.LEVEL;
    /** Labels of all that a row stands in, outermost first, with {@value #PATH_MARK} in between. */
    public static final String PATH = "path";

    public static final String TAG = Facet.TAG;
    public static final String NAME = Facet.NAME;
    public static final String TECHNIQUE = Facet.TECHNIQUE;
    public static final String CLASS = Facet.CLASS;
    /** Name of a template to stamp the row from. */
    public static final String TEMPLATE = "template";
    /** Ready-made checks of a point, with semicolons in between; for a check, the one it is. */
    public static final String CHECKS = "checks";

    public static final String STAMP = Facet.STAMP;
    public static final String ID = "id";
    /** Id of what a row stands in. */
    public static final String PARENT = Facet.PARENT;

    public static final String PATH_MARK = " / ";

    /** In the order they are written; facets come behind the class. */
    static final List<String> WRITTEN_FIRST = List.of(LEVEL, PATH, TAG, NAME, TECHNIQUE, CLASS);

    static final List<String> WRITTEN_LAST = List.of(STAMP, ID, PARENT);

    private Column() {}

    /** The column a heading means, whatever its case; empty for one that is not known. */
    public static Optional<String> of(String heading) {
        String text = heading.strip();
        String small = text.toLowerCase(Locale.ROOT);
        boolean isFixed = WRITTEN_FIRST.contains(small)
                || WRITTEN_LAST.contains(small)
                || small.equals(TEMPLATE)
                || small.equals(CHECKS);
        if (isFixed) {
            return Optional.of(small);
        }
        return Facet.isValue(text) ? Optional.of(text) : Optional.empty();
    }
}
