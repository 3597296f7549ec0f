package rovek.core.entry;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

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

        private final transient Sentence why;

        NotRanges(Sentence why) {
            super(why.toString());
            this.why = why;
        }
    }

    @Override
    public Sentence hint() {
        return Sentence.of(mayBeOpen ? "entry.openRangesHint" : "entry.rangesHint");
    }

    /** @throws Refused where {@link #fault} names one */
    public List<NamedRange> read(String text) {
        try {
            return ranges(text);
        } catch (NotRanges wrong) {
            throw new Refused(wrong.why);
        }
    }

    @Override
    public Optional<Sentence> fault(Sentence name, String unit, String value) {
        try {
            ranges(value);
            return Optional.empty();
        } catch (NotRanges wrong) {
            return Optional.of(Sentence.of("entry.about", "name", name, "why", wrong.why));
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
                throw new NotRanges(Sentence.of("entry.rangeTwice", "name", range.name()));
            }
            ranges.add(range);
        }
        if (ranges.size() > most) {
            throw new NotRanges(Sentence.of("entry.tooManyRanges", "most", most, "ranges", ranges.size()));
        }
        return List.copyOf(ranges);
    }

    private NamedRange range(String part) throws NotRanges {
        Matcher written = ONE.matcher(part);
        if (!written.matches() || written.group(1).length() > LONGEST_NAME) {
            throw new NotRanges(Sentence.of("entry.notARange", "part", shortened(part)));
        }
        double low = end(written.group(2), Double.NEGATIVE_INFINITY, part);
        double high = end(written.group(3), Double.POSITIVE_INFINITY, part);
        boolean isOpen = Double.isInfinite(low) || Double.isInfinite(high);
        if (isOpen && (!mayBeOpen || low == -high)) {
            throw new NotRanges(Sentence.of(mayBeOpen ? "entry.bothEndsMissing" : "entry.endMissing", "part", part));
        }
        if (!(low < high)) {
            throw new NotRanges(Sentence.of("entry.rangeFalls", "part", part));
        }
        if ((Double.isFinite(low) && low < least) || high < least) {
            throw new NotRanges(Sentence.of("entry.rangeTooLow", "part", part, "least", least));
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
        throw new NotRanges(Sentence.of("entry.rangeEnd", "end", written, "part", shortened(part)));
    }
}
