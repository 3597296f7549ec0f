package rovek.core.limit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.OwnUnit;
import rovek.core.unit.UnitCatalogue;

class LimitTextTest {

    private static final Sense HIGH = Sense.HIGHER_IS_WORSE;

    @Provide
    Arbitrary<Limit> limits() {
        Arbitrary<Double> small = Arbitraries.doubles().between(0, 100).ofScale(3);
        Arbitrary<Allowed> allowed = Combinators.combine(Arbitraries.of(Side.class), small, small)
                .as((side, a, b) -> new Allowed(side, Optional.of(Math.min(a, b)), Optional.of(Math.max(a, b))));
        Arbitrary<Rule> rules = Arbitraries.oneOf(
                Combinators.combine(small, small)
                        .as((a, b) -> Rule.Within.above(Optional.of(Math.min(a, b)), Optional.of(Math.max(a, b)))),
                small.map(a -> Rule.Within.below(Optional.empty(), Optional.of(-a))),
                Combinators.combine(small, small)
                        .as((a, b) -> new Rule.Within(new Range(-a - 1, b), new Range(-a - 2, b + 1))),
                Combinators.combine(small, small)
                        .as((a, b) -> new Rule.Outside(new Range(-a - 2, b + 1), new Range(-a - 1, b))),
                Combinators.combine(small, allowed).as(Rule.Target::new),
                Combinators.combine(allowed, Arbitraries.of(true, false)).as(Rule.FromBaseline::new),
                allowed.map(Rule.PerDay::new),
                Combinators.combine(allowed, Arbitraries.of(true, false)).as(Rule.FromSisters::new),
                Combinators.combine(allowed, Arbitraries.of(true, false)).as(Rule.Statistical::new));
        return Combinators.combine(rules.list().ofMinSize(1).ofMaxSize(3), small, Arbitraries.of(true, false))
                .as((all, hysteresis, past) -> {
                    boolean isRelative = all.stream()
                            .allMatch(rule -> rule instanceof Rule.Statistical
                                    || rule instanceof Rule.FromBaseline change && change.isShare()
                                    || rule instanceof Rule.FromSisters sisters && sisters.isShare());
                    return new Limit(
                            all,
                            isRelative ? Optional.empty() : Optional.of(UnitCatalogue.MILLIMETRE_PER_SECOND),
                            hysteresis,
                            past);
                });
    }

    @Property
    void whatIsWrittenIsReadAgain(@ForAll("limits") Limit limit, @ForAll Sense sense) {
        assertThat(LimitText.parse(LimitText.write(limit, sense), sense)).contains(limit);
    }

    @Property
    void aHistoryIsReadAgain(@ForAll("limits") Limit first, @ForAll("limits") Limit second) {
        Instant march = Instant.parse("2026-03-01T00:00:00Z");
        LimitTimeline timeline = LimitTimeline.EMPTY
                .saying(Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(first), false)
                .saying(
                        Optional.of(march),
                        Optional.of(march),
                        Optional.of(march.plusSeconds(9)),
                        Optional.of(second),
                        false)
                .saying(Optional.of(march), Optional.of(march), Optional.empty(), Optional.empty(), true);
        assertThat(LimitTimeline.parse(timeline.write(HIGH), HIGH)).isEqualTo(timeline);
    }

    @Example
    void whatWasWrittenBeforeThereWereOtherRulesStillHolds() {
        assertThat(LimitText.parse("2.8/4.5 mm/s", HIGH).orElseThrow().rules())
                .containsExactly(Rule.Within.above(Optional.of(2.8), Optional.of(4.5)));
        assertThat(LimitText.parse("-/1.0 bar", Sense.LOWER_IS_WORSE)
                        .orElseThrow()
                        .rules())
                .containsExactly(Rule.Within.below(Optional.empty(), Optional.of(1.0)));
        assertThat(LimitText.parse("-/-", HIGH)).isEmpty();
        assertThat(LimitText.parse("-/- mm/s", HIGH)).isEmpty();
    }

    @Example
    void whatIsNoLimitIsRefusedWithASentence() {
        for (String wrong : List.of(
                "",
                "4.5",
                "4.5 mm/s",
                "above",
                "within 1/2 bar",
                "target ±1/±2 bar",
                "baseline 5/6 %",
                "baseline +5/-6 %",
                "rate +/- bar",
                "NaN/1 bar",
                "1/Infinity bar",
                "sisters +1/+2 MAD",
                "2.8/4.5 mm/s & ")) {
            assertThatThrownBy(() -> LimitText.parse(wrong, HIGH))
                    .as(wrong)
                    .isInstanceOf(IllegalArgumentException.class);
        }
        assertThatThrownBy(() -> LimitText.parse("4.5/2.8 mm/s", HIGH)).hasMessageContaining("limit.wrongOrder");
        assertThatThrownBy(() -> LimitText.parse("within 2..1/- mm/s", HIGH)).hasMessageContaining("limit.bandFalls");
        assertThatThrownBy(() -> LimitText.parse("1/2 bar & baseline +1/+2 mm/s", HIGH))
                .hasMessageContaining("limit.twoUnits");
        assertThatThrownBy(() -> LimitText.parse("scatter +1/+2 sigma", HIGH)).hasMessageContaining("limit.scatterIn");
        assertThatThrownBy(() -> LimitTimeline.parse("[from yesterday] 1/2 bar", HIGH))
                .hasMessageContaining("limit.malformedTime");
    }

    /** A psi is 4.4482216152605 N on (0.0254 m)^2 (NIST SP 811): 4 of them are 0.275790291726734453... bar. */
    @Example
    void whatIsTypedInAnotherUnitIsKeptInTheResultsOwn() {
        ResultDefinition pressure = new ResultDefinition("pressure", "pressure", "p", UnitCatalogue.BAR, HIGH);
        KnownUnits known = new KnownUnits(List.of(new OwnUnit("mWC", UnitCatalogue.BAR, "0.1", "0").unit()));
        assertThat(LimitTimeline.kept("4/- psi", pressure, known)).isEqualTo("0.27579029172673447/- bar");
        assertThat(LimitTimeline.kept("within 20..30/10..40 mWC", pressure, known))
                .isEqualTo("within 2.0..3.0/1.0..4.0 bar");
        for (String asTyped : List.of(
                "",
                "-/-",
                "2.80/4.5 bar",
                "baseline +25/+50 %",
                "scatter +3/+5 MAD",
                "1/2 mm/s",
                "1/2 furlong",
                "no limit at all",
                "[said 2026-03-01T10:00:00Z] 4/5 psi",
                "inherited")) {
            assertThat(LimitTimeline.kept(asTyped, pressure, known)).isEqualTo(asTyped);
        }
    }
}
