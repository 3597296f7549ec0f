package rovek.core.entry;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import rovek.core.entry.NamedRanges.NamedRange;

class NamedRangesTest {

    private final NamedRanges closed = new NamedRanges(3, false, Double.NEGATIVE_INFINITY);
    private final NamedRanges open = new NamedRanges(3, true, Double.NEGATIVE_INFINITY);

    private String fault(NamedRanges ranges, String text) {
        return ranges.fault("Bands", "Hz", text).orElse("");
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
        assertThat(fault(open, "level: ..")).contains("lacks both its ends");
        assertThat(fault(closed, "level: 2..")).contains("lacks an end");
    }

    @Example
    void whatIsWrongIsNamed() {
        assertThat(fault(closed, "40..60")).contains("no range with a name");
        assertThat(fault(closed, "a: 60..40")).contains("must rise");
        assertThat(fault(closed, "a: 5..5")).contains("must rise");
        assertThat(fault(closed, "a: 1..2; A: 3..4")).contains("twice");
        assertThat(fault(closed, "a: 1..2; b: 1..2; c: 1..2; d: 1..2")).contains("at most 3 ranges, not 4");
        assertThat(fault(closed, "a: 1..NaN")).contains("\"NaN\"");
        assertThat(fault(new NamedRanges(3, false, 0.1), "a: 0..50")).contains("must not begin below 0.1");
        assertThat(fault(closed, "a: 1,5..2")).contains("\"1,5\"");
    }

    @Property(tries = 200)
    void whateverIsWrittenIsReadAgain(
            @ForAll @DoubleRange(min = -1e6, max = 1e6) double low,
            @ForAll @DoubleRange(min = 0.01, max = 1e6) double width) {
        assertThat(closed.read("one: " + low + ".." + (low + width)))
                .containsExactly(new NamedRange("one", low, low + width));
    }
}
