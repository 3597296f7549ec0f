package rovek.core.entry;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import rovek.core.entry.NamedRanges.NamedRange;
import rovek.core.wording.Sentence;

class NamedRangesTest {

    private final NamedRanges closed = new NamedRanges(3, false, Double.NEGATIVE_INFINITY);
    private final NamedRanges open = new NamedRanges(3, true, Double.NEGATIVE_INFINITY);

    private String fault(NamedRanges ranges, String text) {
        return ranges.fault(Sentence.plain("Bands"), "Hz", text)
                .map(Sentence::toString)
                .orElse("");
    }

    @Example
    void namesMayHaveSpacesAndNumbersOfTheirOwn() {
        assertThat(closed.read(" gear 2 : 900..1100.5;; x: 1 .. 2 ;"))
                .containsExactly(new NamedRange("gear 2", 900, 1100.5), new NamedRange("x", 1, 2));
        assertThat(closed.read("")).isEmpty();
    }

    @Example
    void anEndMayBeLeftOutOnlyWhereThatMakesSense() {
        assertThat(open.read("level 7: 2..; heat: ..-5"))
                .containsExactly(
                        new NamedRange("level 7", 2, Double.POSITIVE_INFINITY),
                        new NamedRange("heat", Double.NEGATIVE_INFINITY, -5));
        assertThat(fault(open, "level: ..")).contains("bothEndsMissing {part=level: ..}");
        assertThat(fault(closed, "level: 2..")).contains("endMissing {part=level: 2..}");
    }

    @Example
    void whatIsWrongIsNamed() {
        assertThat(fault(closed, "40..60")).contains("notARange {part=40..60}");
        assertThat(fault(closed, "a: 60..40")).contains("rangeFalls");
        assertThat(fault(closed, "a: 5..5")).contains("rangeFalls");
        assertThat(fault(closed, "a: 1..2; A: 3..4")).contains("rangeTwice {name=A}");
        assertThat(fault(closed, "a: 1..2; b: 1..2; c: 1..2; d: 1..2")).contains("tooManyRanges {most=3, ranges=4}");
        assertThat(fault(closed, "a: 1..NaN")).contains("rangeEnd {end=NaN");
        assertThat(fault(new NamedRanges(3, false, 0.1), "a: 0..50")).contains("rangeTooLow {least=0.1");
        assertThat(fault(closed, "a: 1,5..2")).contains("rangeEnd {end=1,5");
    }

    @Property(tries = 200)
    void whateverIsWrittenIsReadAgain(
            @ForAll @DoubleRange(min = -1e6, max = 1e6) double low,
            @ForAll @DoubleRange(min = 0.01, max = 1e6) double width) {
        assertThat(closed.read("one: " + low + ".." + (low + width)))
                .containsExactly(new NamedRange("one", low, low + width));
    }
}
