package rovek.core.limit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import rovek.core.technique.Sense;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * A limit as it is written in the plant, watch before fail, a hyphen where there is none: "2.8/4.5 mm/s" on the side
 * that is worse, "above 2.8/4.5 mm/s", "below 2/1 bar", "within 5.8..6.4/5.5..6.6 bar", "outside 1150..1250/1180..1220
 * 1/min", "target 6 ±0.2/±0.4 bar", "baseline +25/+50 %", "rate +0.1/+0.2 mm/s a day", "sisters +50/+100 %", "scatter
 * +3/+5 MAD", "scatter ±2/±3 s". Rules joined by " & " count together, the worst of them; behind all may stand ",
 * hysteresis 0.2 mm/s" and ", boundary is past".
 */
public final class LimitText {

    private static final String NOTHING = "-";
    private static final String AND = " & ";
    private static final String HYSTERESIS = ", hysteresis ";
    private static final String BOUNDARY_IS_PAST = ", boundary is past";
    private static final String A_DAY = " a day";
    private static final String BETWEEN = "..";

    private LimitText() {}

    /** @param sense of the result: the side that need not be said */
    public static String write(Limit limit, Sense sense) {
        String unit = limit.unit().map(UnitOfMeasure::symbol).orElse("");
        String rules =
                limit.rules().stream().map(rule -> write(rule, unit, sense)).collect(Collectors.joining(AND));
        String hysteresis =
                limit.hysteresis() == 0 ? "" : (HYSTERESIS + limit.hysteresis() + " " + unit).stripTrailing();
        return rules + hysteresis + (limit.boundaryIsPast() ? BOUNDARY_IS_PAST : "");
    }

    private static String write(Rule rule, String unit, Sense sense) {
        if (rule instanceof Rule.Within within) {
            return write(within, sense) + " " + unit;
        }
        if (rule instanceof Rule.Outside outside) {
            return "outside %s/%s %s".formatted(text(outside.watch()), text(outside.fail()), unit);
        }
        if (rule instanceof Rule.Target target) {
            return "target %s %s %s".formatted(target.target(), text(target.allowed()), unit);
        }
        if (rule instanceof Rule.FromBaseline change) {
            return "baseline %s %s".formatted(text(change.allowed()), change.isShare() ? "%" : unit);
        }
        if (rule instanceof Rule.PerDay rate) {
            return "rate %s %s%s".formatted(text(rate.allowed()), unit, A_DAY);
        }
        if (rule instanceof Rule.FromSisters sisters) {
            return "sisters %s %s".formatted(text(sisters.allowed()), sisters.isShare() ? "%" : unit);
        }
        Rule.Statistical scatter = (Rule.Statistical) rule;
        return "scatter %s %s".formatted(text(scatter.allowed()), scatter.isRobust() ? "MAD" : "s");
    }

    private static String write(Rule.Within within, Sense sense) {
        boolean noLow = within.watch().low() == Double.NEGATIVE_INFINITY
                && within.fail().low() == Double.NEGATIVE_INFINITY;
        boolean noHigh = within.watch().high() == Double.POSITIVE_INFINITY
                && within.fail().high() == Double.POSITIVE_INFINITY;
        if (noLow) {
            return (sense == Sense.HIGHER_IS_WORSE ? "" : "above ")
                    + text(within.watch().high()) + "/" + text(within.fail().high());
        }
        if (noHigh) {
            return (sense == Sense.LOWER_IS_WORSE ? "" : "below ")
                    + text(within.watch().low()) + "/" + text(within.fail().low());
        }
        return "within %s/%s".formatted(text(within.watch()), text(within.fail()));
    }

    private static String text(double end) {
        return Double.isInfinite(end) ? NOTHING : String.valueOf(end);
    }

    private static String text(Range range) {
        return range.equals(Range.ALL) || range.equals(Range.NONE)
                ? NOTHING
                : text(range.low()) + BETWEEN + text(range.high());
    }

    private static String text(Allowed allowed) {
        String sign = switch (allowed.side()) {
            case UP -> "+";
            case DOWN -> "-";
            case BOTH -> "±";
        };
        return allowed.watch().map(by -> sign + by).orElse(NOTHING) + "/"
                + allowed.fail().map(by -> sign + by).orElse(NOTHING);
    }

    /** Whether a limit, as it is written over time, ever compares with sister assets. */
    public static boolean comparesSisters(String text) {
        return text.contains("sisters ");
    }

    /** For a sentence: "2.8 to 4.5", "4.5". */
    static Sentence ends(Range range) {
        boolean hasLow = Double.isFinite(range.low());
        boolean hasHigh = Double.isFinite(range.high());
        if (hasLow && hasHigh) {
            return Sentence.of("limit.ends", "low", range.low(), "high", range.high());
        }
        return hasLow || hasHigh
                ? Sentence.of("limit.end", "value", hasLow ? range.low() : range.high())
                : Sentence.of("limit.noEnds");
    }

    /**
     * The limit that is written.
     *
     * @return empty where it says that there is none ("-/-")
     * @throws Refused where it is not written as a limit is, or says what no limit can
     */
    public static Optional<Limit> parse(String text, Sense sense) {
        return parse(text, sense, KnownUnits.CATALOGUE);
    }

    /** As {@link #parse(String, Sense)}, in any unit that is known. */
    static Optional<Limit> parse(String text, Sense sense, KnownUnits units) {
        try {
            return read(text, sense, units);
        } catch (NumberFormatException | IndexOutOfBoundsException notSo) {
            throw malformed(text);
        }
    }

    private static Refused malformed(String text) {
        return new Refused(Sentence.of("limit.malformed", "text", text));
    }

    private static Optional<Limit> read(String text, Sense sense, KnownUnits units) {
        String rest = text.strip();
        boolean boundaryIsPast = rest.endsWith(BOUNDARY_IS_PAST);
        rest = boundaryIsPast ? rest.substring(0, rest.length() - BOUNDARY_IS_PAST.length()) : rest;
        int comma = rest.indexOf(HYSTERESIS);
        double hysteresis = comma < 0
                ? 0
                : Double.parseDouble(rest.substring(comma + HYSTERESIS.length()).split(" ")[0]);
        rest = comma < 0 ? rest : rest.substring(0, comma);
        if (rest.equals("-/-") || rest.startsWith("-/- ")) {
            return Optional.empty();
        }
        List<Rule> rules = new ArrayList<>();
        Optional<UnitOfMeasure> unit = Optional.empty();
        for (String part : rest.split(AND)) {
            Written written = Written.of(part.strip(), text);
            rules.add(written.rule(sense));
            unit = common(unit, written.unit(units));
        }
        return Optional.of(new Limit(rules, unit, hysteresis, boundaryIsPast));
    }

    private static Optional<UnitOfMeasure> common(Optional<UnitOfMeasure> one, Optional<UnitOfMeasure> other) {
        if (one.isPresent() && other.isPresent() && !one.get().equals(other.get())) {
            throw new Refused(Sentence.of("limit.twoUnits", "unit", one.get(), "other", other.get()));
        }
        return one.or(() -> other);
    }

    /**
     * A rule in its pieces.
     *
     * @param kind blank where none is written
     * @param target blank but for a target
     */
    private record Written(String kind, String target, String watch, String fail, String behind, String whole) {

        private static final List<String> KINDS =
                List.of("above", "below", "within", "outside", "target", "baseline", "rate", "sisters", "scatter");

        static Written of(String part, String whole) {
            String first = part.split(" ", 2)[0];
            boolean isNamed = KINDS.contains(first);
            String rest = isNamed ? part.substring(first.length()).strip() : part;
            String target = first.equals("target") ? rest.split(" ", 2)[0] : "";
            rest = rest.substring(target.length()).strip();
            int space = rest.indexOf(' ');
            String boundaries = space < 0 ? rest : rest.substring(0, space);
            int slash = boundaries.indexOf('/');
            if (slash < 0) {
                throw malformed(whole);
            }
            return new Written(
                    isNamed ? first : "",
                    target,
                    boundaries.substring(0, slash),
                    boundaries.substring(slash + 1),
                    space < 0 ? "" : rest.substring(space + 1).strip(),
                    whole);
        }

        /** The unit its numbers are in; empty for shares and multiples of scatter. */
        Optional<UnitOfMeasure> unit(KnownUnits units) {
            boolean isRelative = kind.equals("scatter") || isShare();
            if (isRelative) {
                return Optional.empty();
            }
            String symbol = kind.equals("rate") ? behind.replace(A_DAY, "") : behind;
            return Optional.of(units.find(symbol).orElseGet(() -> UnitCatalogue.get(symbol)));
        }

        private boolean isShare() {
            return (kind.equals("baseline") || kind.equals("sisters")) && behind.equals("%");
        }

        Rule rule(Sense sense) {
            return switch (kind) {
                case "" ->
                    sense == Sense.HIGHER_IS_WORSE
                            ? Rule.Within.above(number(watch), number(fail))
                            : Rule.Within.below(number(watch), number(fail));
                case "above" -> Rule.Within.above(number(watch), number(fail));
                case "below" -> Rule.Within.below(number(watch), number(fail));
                case "within" -> new Rule.Within(range(watch, Range.ALL), range(fail, Range.ALL));
                case "outside" -> new Rule.Outside(range(watch, Range.NONE), range(fail, Range.NONE));
                case "target" -> new Rule.Target(Double.parseDouble(target), allowed());
                case "baseline" -> new Rule.FromBaseline(allowed(), isShare());
                case "rate" -> new Rule.PerDay(allowed());
                case "sisters" -> new Rule.FromSisters(allowed(), isShare());
                default -> new Rule.Statistical(allowed(), isRobust());
            };
        }

        private boolean isRobust() {
            if (!behind.equals("MAD") && !behind.equals("s")) {
                throw new Refused(Sentence.of("limit.scatterIn", "unit", behind));
            }
            return behind.equals("MAD");
        }

        private static Optional<Double> number(String text) {
            return text.equals(NOTHING) ? Optional.empty() : Optional.of(finite(text));
        }

        private static double finite(String text) {
            double number = Double.parseDouble(text);
            if (!Double.isFinite(number)) {
                throw new NumberFormatException(text);
            }
            return number;
        }

        private static Range range(String text, Range none) {
            if (text.equals(NOTHING)) {
                return none;
            }
            int between = text.indexOf(BETWEEN);
            String low = text.substring(0, between);
            String high = text.substring(between + BETWEEN.length());
            return new Range(
                    low.equals(NOTHING) ? Double.NEGATIVE_INFINITY : finite(low),
                    high.equals(NOTHING) ? Double.POSITIVE_INFINITY : finite(high));
        }

        private Allowed allowed() {
            Optional<Double> first = deviation(watch);
            Optional<Double> second = deviation(fail);
            String sign = (watch.equals(NOTHING) ? fail : watch).substring(0, 1);
            boolean isOfOneSide = watch.equals(NOTHING) || fail.equals(NOTHING) || fail.startsWith(sign);
            if (!isOfOneSide || !List.of("+", "-", "±").contains(sign)) {
                throw malformed(whole);
            }
            return new Allowed(sign.equals("+") ? Side.UP : sign.equals("-") ? Side.DOWN : Side.BOTH, first, second);
        }

        private static Optional<Double> deviation(String text) {
            return text.equals(NOTHING) ? Optional.empty() : Optional.of(finite(text.substring(1)));
        }
    }
}
