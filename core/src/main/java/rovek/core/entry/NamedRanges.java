package rovek.core.entry;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A field that takes a few ranges, each with a name: {@code running speed: 40..60; mesh: 900..1100}. Nothing at all is
 * fine.
 *
 * @param most how many there may be
 * @param mayBeOpen whether an end may be left out: {@code pressure: 2..}
 * @param least no end lies below it
 */
public record NamedRanges(int most, boolean mayBeOpen, double least) implements Entry {

    private static final Pattern ONE = Pattern.compile("([^:]+?)\\s*:\\s*(\\S*?)\\s*\\.\\.\\s*(\\S*)");
    private static final int LONGEST_NAME = 40;

    /**
     * One of them.
     *
     * @param low negative infinity where it was left out
     * @param high infinity where it was left out; above {@code low}
     */
    public record NamedRange(String name, double low, double high) {}

    /** A text that is none, with the sentence why. */
    private static final class NotRanges extends Exception {

        private static final long serialVersionUID = 1;

        NotRanges(String why) {
            super(why);
        }
    }

    @Override
    public String hint() {
        return mayBeOpen ? "name: 2..5; other name: ..9" : "name: 40..60; other name: 90..110";
    }

    /** @throws IllegalArgumentException where {@link #fault} names one */
    public List<NamedRange> read(String text) {
        try {
            return ranges(text);
        } catch (NotRanges wrong) {
            throw new IllegalArgumentException(wrong.getMessage());
        }
    }

    @Override
    public Optional<String> fault(String name, String unit, String value) {
        try {
            ranges(value);
            return Optional.empty();
        } catch (NotRanges wrong) {
            return Optional.of("%s: %s".formatted(name, wrong.getMessage()));
        }
    }

    private List<NamedRange> ranges(String text) throws NotRanges {
        List<NamedRange> ranges = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (String part : text.split(";")) {
            if (part.isBlank()) {
                continue;
            }
            NamedRange range = range(part.strip());
            if (!names.add(range.name().toLowerCase(Locale.ROOT))) {
                throw new NotRanges("\"%s\" stands there twice.".formatted(range.name()));
            }
            ranges.add(range);
        }
        if (ranges.size() > most) {
            throw new NotRanges("at most %d ranges, not %d.".formatted(most, ranges.size()));
        }
        return List.copyOf(ranges);
    }

    private NamedRange range(String part) throws NotRanges {
        Matcher written = ONE.matcher(part);
        if (!written.matches() || written.group(1).length() > LONGEST_NAME) {
            throw new NotRanges("\"%s\" is no range with a name. Write it like  name: 40..60; other name: 90..110"
                    .formatted(shortened(part)));
        }
        double low = end(written.group(2), Double.NEGATIVE_INFINITY, part);
        double high = end(written.group(3), Double.POSITIVE_INFINITY, part);
        boolean isOpen = Double.isInfinite(low) || Double.isInfinite(high);
        if (isOpen && (!mayBeOpen || low == -high)) {
            throw new NotRanges("\"%s\" lacks %s.".formatted(part, mayBeOpen ? "both its ends" : "an end"));
        }
        if (!(low < high)) {
            throw new NotRanges("\"%s\" must rise.".formatted(part));
        }
        if ((Double.isFinite(low) && low < least) || high < least) {
            throw new NotRanges("\"%s\" must not begin below %s.".formatted(part, least));
        }
        return new NamedRange(written.group(1), low, high);
    }

    private static String shortened(String part) {
        return part.length() <= LONGEST_NAME ? part : part.substring(0, LONGEST_NAME) + "…";
    }

    private static double end(String written, double open, String part) throws NotRanges {
        if (written.isEmpty()) {
            return open;
        }
        try {
            double end = Double.parseDouble(written);
            if (Double.isFinite(end)) {
                return end;
            }
        } catch (NumberFormatException notANumber) {
            // the sentence below names it
        }
        throw new NotRanges("\"%s\" in \"%s\" is no number.".formatted(written, shortened(part)));
    }
}
