package rovek.server.judging.limit;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Optional;
import rovek.core.limit.Limit;
import rovek.core.limit.Rule;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

/**
 * A limit as it is filled in.
 *
 * @param rules of which the worst counts
 * @param unit that the numbers are in; null for the result's own
 */
public record LimitForm(
        List<RuleDraft> rules,
        double hysteresis,
        boolean boundaryIsPast,
        @Nullable String unit) {

    /** @param result whose unit the numbers are to be in */
    static LimitForm of(Limit kept, ResultDefinition result) {
        Limit limit = kept.in(result.unit());
        return new LimitForm(
                limit.rules().stream().map(RuleDraft::of).toList(),
                limit.hysteresis(),
                limit.boundaryIsPast(),
                result.unit().symbol());
    }

    /** In the result's own unit. */
    static LimitForm plain(RuleDraft rule) {
        return new LimitForm(List.of(rule), 0, false, null);
    }

    /**
     * What is said, with its numbers in the result's own unit.
     *
     * @throws DomainProblem.Invalid where it says what no limit can
     */
    Limit limit(ResultDefinition result, KnownUnits known) {
        try {
            List<Rule> said = rules.stream().map(RuleDraft::rule).toList();
            boolean isRelative = said.stream().allMatch(LimitForm::isRelative) && hysteresis == 0;
            UnitOfMeasure typedIn = unit == null || unit.isEmpty() ? result.unit() : named(unit, known);
            Limit limit =
                    new Limit(said, isRelative ? Optional.empty() : Optional.of(typedIn), hysteresis, boundaryIsPast);
            return limit.in(result.unit());
        } catch (Refused wrong) {
            throw new DomainProblem.Invalid("limit", wrong.sentence());
        }
    }

    private static UnitOfMeasure named(String unit, KnownUnits known) {
        return known.find(unit).orElseThrow(() -> new Refused(Sentence.of("unit.unknown", "symbol", unit)));
    }

    /** A share, or a multiple of scatter, is one in any unit. */
    private static boolean isRelative(Rule rule) {
        return rule instanceof Rule.Statistical
                || (rule instanceof Rule.FromBaseline change && change.isShare())
                || (rule instanceof Rule.FromSisters sisters && sisters.isShare());
    }
}
