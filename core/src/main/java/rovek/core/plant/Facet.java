package rovek.core.plant;

import java.util.Set;

/** The keys of all that can change of a node. */
public final class Facet {

    public static final String PARENT = "parent";
    public static final String PLACE = "place";
    public static final String LEVEL = "level";
    public static final String TAG = "tag";
    public static final String NAME = "name";
    public static final String TECHNIQUE = "technique";
    public static final String CLASS = "class";
    public static final String STAMP = "stamp";
    /** Before an attribute's key. */
    public static final String NAMEPLATE = "nameplate.";
    /** Before a technique's id, a full stop and a setting's key. */
    public static final String SETTING = "setting.";

    /** Before a technique's id, a full stop and a result's id. */
    public static final String LIMIT = "limit.";

    static final Set<String> PLAIN = Set.of(PARENT, PLACE, LEVEL, TAG, NAME, TECHNIQUE, CLASS, STAMP);

    private Facet() {}

    public static String nameplate(String key) {
        return NAMEPLATE + key;
    }

    public static String setting(String technique, String key) {
        return SETTING + technique + "." + key;
    }

    public static String limit(String technique, String result) {
        return LIMIT + technique + "." + result;
    }

    /** Whether a key names a line of a nameplate, a setting or a limit, and names it whole. */
    public static boolean isValue(String key) {
        return (key.startsWith(NAMEPLATE) && key.length() > NAMEPLATE.length())
                || isNested(key, SETTING)
                || isNested(key, LIMIT);
    }

    private static boolean isNested(String key, String kind) {
        return key.startsWith(kind) && key.indexOf('.', kind.length()) > kind.length();
    }
}
