package rovek.core.limit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import rovek.core.technique.Result;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;

class LimitTest {

    private static final ResultDefinition VELOCITY = new ResultDefinition(
            "velocity.rms", "velocity RMS", "RMS", UnitCatalogue.MILLIMETRE_PER_SECOND, Sense.HIGHER_IS_WORSE);

    private static Limit mmPerSecond(double watch, double fail) {
        return new Limit(
                Sense.HIGHER_IS_WORSE, Optional.of(Amount.of(watch, "mm/s")), Optional.of(Amount.of(fail, "mm/s")));
    }

    @Example
    void onTheBoundaryIsStillWithinIt() {
        Limit limit = mmPerSecond(2.8, 4.5);
        assertThat(limit.judge(Amount.of(2.8, "mm/s"))).isEqualTo(Verdict.PASS);
        assertThat(limit.judge(Amount.of(Math.nextUp(2.8), "mm/s"))).isEqualTo(Verdict.WATCH);
        assertThat(limit.judge(Amount.of(4.5, "mm/s"))).isEqualTo(Verdict.WATCH);
        assertThat(limit.judge(Amount.of(Math.nextUp(4.5), "mm/s"))).isEqualTo(Verdict.FAIL);
    }

    @Property
    void aWorseValueNeverGetsABetterVerdict(
            @ForAll @DoubleRange(min = 0, max = 10) double a, @ForAll @DoubleRange(min = 0, max = 10) double b) {
        Limit limit = mmPerSecond(2.8, 4.5);
        Verdict better = limit.judge(Amount.of(Math.min(a, b), "mm/s"));
        Verdict worse = limit.judge(Amount.of(Math.max(a, b), "mm/s"));
        assertThat(worse).isGreaterThanOrEqualTo(better);
    }

    @Example
    void unitsAreConvertedBeforeComparing() {
        assertThat(mmPerSecond(2.8, 4.5).judge(Amount.of(0.0046, "m/s"))).isEqualTo(Verdict.FAIL);
        assertThatThrownBy(() -> mmPerSecond(2.8, 4.5).judge(Amount.of(1, "m/s²")))
                .hasMessageContaining("not the same kind of quantity");
    }

    @Example
    void lowerIsWorseTurnsTheComparison() {
        Limit limit = new Limit(Sense.LOWER_IS_WORSE, Optional.of(Amount.of(10, "V")), Optional.of(Amount.of(8, "V")));
        assertThat(limit.judge(Amount.of(9, "V"))).isEqualTo(Verdict.WATCH);
        assertThat(limit.judge(Amount.of(7, "V"))).isEqualTo(Verdict.FAIL);
    }

    @Example
    void boundariesTheWrongWayRoundAreRefused() {
        assertThatThrownBy(() -> mmPerSecond(4.5, 2.8)).hasMessageContaining("reached before the fail boundary");
        assertThatThrownBy(() -> new Limit(Sense.HIGHER_IS_WORSE, Optional.empty(), Optional.empty()))
                .hasMessageContaining("needs a watch or a fail");
    }

    @Property
    void rollingUpDoesNotDependOnOrderOrGrouping(@ForAll List<Verdict> a, @ForAll List<Verdict> b) {
        RollUp together = RollUp.ofAll(a).plus(RollUp.ofAll(b));
        assertThat(together).isEqualTo(RollUp.ofAll(b).plus(RollUp.ofAll(a)));
        assertThat(together.total()).isEqualTo(a.size() + b.size());
        boolean anyFail = a.contains(Verdict.FAIL) || b.contains(Verdict.FAIL);
        assertThat(together.worst() == Verdict.FAIL).isEqualTo(anyFail);
    }

    @Example
    void aPassDoesNotHideWhatWasNotJudged() {
        RollUp mixed = RollUp.ofAll(List.of(Verdict.PASS, Verdict.NOT_JUDGED, Verdict.PASS));
        assertThat(mixed.worst()).isEqualTo(Verdict.PASS);
        assertThat(mixed.notJudged()).isEqualTo(1);
        assertThat(RollUp.NOTHING.worst()).isEqualTo(Verdict.NOT_JUDGED);
    }

    @Example
    void withoutALimitOrWithAnObstacleNothingIsJudged() {
        List<Result> results = List.of(new Result(VELOCITY, Amount.of(1, "mm/s")));
        assertThat(Judgement.of(results, "", Map.of())).isEqualTo(new Judgement(Verdict.NOT_JUDGED, "no limit is set"));
        Map<String, Limit> limits = Map.of("velocity.rms", mmPerSecond(2.8, 4.5));
        assertThat(Judgement.of(results, "", limits).verdict()).isEqualTo(Verdict.PASS);
        assertThat(Judgement.of(results, "overloaded", limits)).isEqualTo(new Judgement(Verdict.NOT_JUDGED, "overloaded"));
    }
}
