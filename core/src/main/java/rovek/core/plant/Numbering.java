package rovek.core.plant;

import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The next number where things are numbered: P-101, P-102; Well pump 1, Well pump 2. */
public final class Numbering {

    private static final Pattern LAST_NUMBER = Pattern.compile("^(.*?)(\\d+)(\\D*)$");
    private static final Pattern NUMBER_AT_END = Pattern.compile("^(.*\\s)(\\d+)$");

    /** Longer numbers are serial numbers rather than a count. */
    private static final int MOST_DIGITS = 9;

    private Numbering() {}

    /**
     * The next tag that nobody has: the last number in it rises, and keeps its leading zeros. A tag without number gets
     * "-2".
     *
     * @param taken all tags there are
     */
    public static String nextTag(String tag, Set<String> taken) {
        if (tag.isBlank()) {
            return tag;
        }
        String next = tag;
        do {
            next = risen(next);
        } while (taken.contains(next));
        return next;
    }

    private static String risen(String tag) {
        Matcher parts = LAST_NUMBER.matcher(tag);
        if (!parts.matches() || parts.group(2).length() > MOST_DIGITS) {
            return tag + "-2";
        }
        return parts.group(1) + raised(parts.group(2), 1) + parts.group(3);
    }

    /** A name that ends in a number of its own rises by as much; any other stays as it is ("Drive end"). */
    public static String nextName(String name, long by) {
        Matcher parts = NUMBER_AT_END.matcher(name);
        if (!parts.matches() || parts.group(2).length() > MOST_DIGITS) {
            return name;
        }
        return parts.group(1) + raised(parts.group(2), by);
    }

    /** By how much the last number of one tag exceeds that of another; 1 where either has none. */
    static long difference(String from, String to) {
        Matcher before = LAST_NUMBER.matcher(from);
        Matcher after = LAST_NUMBER.matcher(to);
        boolean comparable = before.matches()
                && after.matches()
                && before.group(1).equals(after.group(1))
                && before.group(2).length() <= MOST_DIGITS
                && after.group(2).length() <= MOST_DIGITS;
        return comparable ? Long.parseLong(after.group(2)) - Long.parseLong(before.group(2)) : 1;
    }

    private static String raised(String digits, long by) {
        String number = String.valueOf(Math.max(0, Long.parseLong(digits) + by));
        return "0".repeat(Math.max(0, digits.length() - number.length())) + number;
    }
}
