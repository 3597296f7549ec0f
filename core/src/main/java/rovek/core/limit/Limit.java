package rovek.core.limit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rovek.core.technique.Sense;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * What is right for one result: rules, of which the worst counts.
 *
 * @param rules at least one
 * @param unit their numbers are written in; empty where all are shares or multiples of scatter, and hold in any unit
 * @param hysteresis how far a value must come back within a boundary before it is better again, in that unit
 * @param boundaryIsPast whether a value on a boundary is past it; usually it is still within
 */
public record Limit(List<Rule> rules, Optional<UnitOfMeasure> unit, double hysteresis, boolean boundaryIsPast) {

    public Limit {
        rules = List.copyOf(rules);
        if (rules.isEmpty()) {
            throw new Refused(Sentence.of("limit.noBoundary"));
        }
        if (!(hysteresis >= 0) || Double.isInfinite(hysteresis)) {
            throw new Refused(Sentence.of("limit.negativeHysteresis"));
        }
    }

    private static final Sentence KEPT = Sentence.of("limit.kept");

    /** One boundary or two, on the side that is worse. */
    public static Limit plain(Sense sense, Optional<Amount> watch, Optional<Amount> fail) {
        if (watch.isEmpty() && fail.isEmpty()) {
            throw new Refused(Sentence.of("limit.noBoundary"));
        }
        UnitOfMeasure unit = watch.or(() -> fail).orElseThrow().unit();
        Optional<Double> first = watch.map(Amount::value);
        Optional<Double> second = fail.map(amount -> amount.in(unit).value());
        Rule rule =
                sense == Sense.HIGHER_IS_WORSE ? Rule.Within.above(first, second) : Rule.Within.below(first, second);
        return new Limit(List.of(rule), Optional.of(unit), 0, false);
    }

    /** Whether its boundaries can be compared with values in a unit. */
    public boolean isFor(UnitOfMeasure other) {
        return unit.isEmpty() || unit.get().isComparableTo(other);
    }

    /**
     * The same limit with its numbers in another unit: boundaries and targets are converted, deviations, rates and the
     * hysteresis as the differences they are. One without a unit stays as it is.
     *
     * @throws rovek.core.unit.IncomparableUnitsException when the unit is of another kind of quantity
     */
    public Limit in(UnitOfMeasure target) {
        if (unit.isEmpty() || unit.get().equals(target)) {
            return this;
        }
        UnitOfMeasure own = unit.get();
        List<Rule> converted =
                rules.stream().map(rule -> LimitUnits.in(rule, own, target)).toList();
        return new Limit(converted, Optional.of(target), own.convertDifference(hysteresis, target), boundaryIsPast);
    }

    /** Whether it takes more than the value itself to judge by it. */
    public boolean needsHistory() {
        return hysteresis > 0 || rules.stream().anyMatch(Rule::needsBackground);
    }

    public boolean needsSisters() {
        return rules.stream().anyMatch(Rule::needsSisters);
    }

    /**
     * What a value came to.
     *
     * @param verdict the worst of the rules that could be applied; not judged where none could
     * @param remark why a rule could not be applied, or that only the hysteresis keeps the verdict; blank where there
     *     is nothing to know
     * @param bounds of the rules that could, in the unit of the value
     * @param passed which boundaries of each rule it is past, in the order of the rules; nothing of one that could not
     *     be applied
     */
    public record Outcome(Verdict verdict, Sentence remark, List<Bounds> bounds, List<Bounds.Passed> passed) {

        /** What was not judged, and why. */
        public static Outcome notJudged(Sentence remark) {
            return new Outcome(Verdict.NOT_JUDGED, remark, List.of(), List.of());
        }
    }

    /** Judges a value by itself; only for a limit without need of history. */
    public Verdict judge(Amount value) {
        return judge(value, List.of(), Background.NOTHING).verdict();
    }

    /**
     * Judges a value: simple acceptance, no allowance for uncertainty.
     *
     * @param before what the value before was past under this same limit, for the hysteresis; empty where there is none
     * @param background in the unit of the value
     * @throws rovek.core.unit.IncomparableUnitsException when the value is of another kind of quantity
     */
    public Outcome judge(Amount value, List<Bounds.Passed> before, Background background) {
        UnitOfMeasure own = unit.orElse(value.unit());
        double number = value.in(own).value();
        Background inOwn = own.equals(value.unit())
                ? background
                : background.in(one -> value.unit().convert(one, own));
        List<Verdict> verdicts = new ArrayList<>();
        List<Verdict> without = new ArrayList<>();
        List<Bounds> bounds = new ArrayList<>();
        List<Bounds.Passed> passed = new ArrayList<>();
        Sentence missing = Sentence.NONE;
        for (int i = 0; i < rules.size(); i++) {
            Yardstick yardstick = rules.get(i).yardstick(inOwn);
            Bounds.Passed was = i < before.size() ? before.get(i) : Bounds.Passed.NONE;
            Bounds.Passed is = yardstick
                    .bounds()
                    .map(found -> found.passed(number, was, hysteresis, boundaryIsPast))
                    .orElse(Bounds.Passed.NONE);
            passed.add(is);
            yardstick.bounds().ifPresent(found -> {
                verdicts.add(is.verdict());
                without.add(found.passed(number, Bounds.Passed.NONE, 0, boundaryIsPast)
                        .verdict());
                bounds.add(found);
            });
            missing = missing.isBlank() ? yardstick.missing() : missing;
        }
        Verdict worst = RollUp.ofAll(verdicts).worst();
        Sentence remark = missing.isBlank() && worst != RollUp.ofAll(without).worst() ? KEPT : missing;
        return new Outcome(
                worst,
                remark,
                bounds.stream().map(one -> one.in(own, value.unit())).toList(),
                passed);
    }
}
