package rovek.server.judging.limit;

import java.util.List;
import java.util.Optional;
import rovek.core.limit.Limit;
import rovek.core.limit.Rule;
import rovek.core.technique.ResultDefinition;
import rovek.server.base.problem.DomainProblem;

/**
 * A limit as it is filled in, in the result's own unit.
 *
 * @param rules of which the worst counts
 */
public record LimitForm(List<RuleDraft> rules, double hysteresis, boolean boundaryIsPast) {

    static LimitForm of(Limit limit) {
        return new LimitForm(
                limit.rules().stream().map(RuleDraft::of).toList(), limit.hysteresis(), limit.boundaryIsPast());
    }

    /** @throws DomainProblem.Invalid where it says what no limit can */
    Limit limit(ResultDefinition result) {
        try {
            List<Rule> said = rules.stream().map(RuleDraft::rule).toList();
            boolean isRelative = said.stream().allMatch(LimitForm::isRelative) && hysteresis == 0;
            return new Limit(
                    said, isRelative ? Optional.empty() : Optional.of(result.unit()), hysteresis, boundaryIsPast);
        } catch (IllegalArgumentException wrong) {
            throw new DomainProblem.Invalid("limit", wrong.getMessage());
        }
    }

    /** A share, or a multiple of scatter, is one in any unit. */
    private static boolean isRelative(Rule rule) {
        return rule instanceof Rule.Statistical
                || (rule instanceof Rule.FromBaseline change && change.isShare())
                || (rule instanceof Rule.FromSisters sisters && sisters.isShare());
    }
}
