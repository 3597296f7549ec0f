package rovek.core.limit;

import java.util.Optional;
import rovek.core.technique.Sense;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;

/** A limit as it is written in the plant: watch, a slash, fail, and the unit; "2.8/4.5 mm/s", "-/4.5 mm/s". */
public final class LimitText {

    private static final String NOTHING = "-";

    private LimitText() {}

    /** @throws IllegalArgumentException where both boundaries are empty */
    public static String write(Optional<Double> watch, Optional<Double> fail, UnitOfMeasure unit) {
        if (watch.isEmpty() && fail.isEmpty()) {
            throw new IllegalArgumentException("A limit needs a watch or a fail boundary.");
        }
        return text(watch) + "/" + text(fail) + " " + unit.symbol();
    }

    private static String text(Optional<Double> boundary) {
        return boundary.map(String::valueOf).orElse(NOTHING);
    }

    /**
     * The limit that is written.
     *
     * @return empty where it says that there is none ("-/-")
     * @throws IllegalArgumentException where it is not written as a limit is, or says what no limit can
     */
    public static Optional<Limit> parse(String text, Sense sense) {
        int space = text.indexOf(' ');
        int slash = text.indexOf('/');
        if (slash < 0 || (space >= 0 && slash > space)) {
            throw new IllegalArgumentException("\"%s\" is not written as a limit is: watch/fail unit.".formatted(text));
        }
        String watch = text.substring(0, slash);
        String fail = space < 0 ? text.substring(slash + 1) : text.substring(slash + 1, space);
        if (watch.equals(NOTHING) && fail.equals(NOTHING)) {
            return Optional.empty();
        }
        UnitOfMeasure unit = UnitCatalogue.get(text.substring(space + 1));
        return Optional.of(new Limit(sense, amount(watch, unit), amount(fail, unit)));
    }

    private static Optional<Amount> amount(String text, UnitOfMeasure unit) {
        return text.equals(NOTHING) ? Optional.empty() : Optional.of(new Amount(Double.parseDouble(text), unit));
    }
}
