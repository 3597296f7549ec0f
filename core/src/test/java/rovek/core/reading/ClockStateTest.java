package rovek.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import rovek.core.reading.ClockState.Earlier;
import rovek.core.reading.ClockState.Times;
import rovek.core.reading.ClockState.Written;
import rovek.core.wording.Sentence;

class ClockStateTest {

    private static final Instant EIGHT = Instant.parse("2026-11-28T08:00:00Z");

    private static Instant at(double hours) {
        return EIGHT.plusSeconds(Math.round(hours * 3600));
    }

    private static ClockCorrection fast(double hours) {
        return new ClockCorrection(Duration.ofSeconds(Math.round(hours * 3600)));
    }

    /** Seen at eight with one difference, read back at noon with another. */
    private static ClockState set(double fromHours, double toHours) {
        return ClockState.of(fast(toHours), Optional.of(new Earlier(fast(fromHours), at(0))), at(4));
    }

    @Example
    void aDropInTheTimesTellsThoseBeforeFromThoseAfter() {
        // Taken at nine and ten by a clock two hours fast, then at half past ten by the right one.
        Times times = set(2, 0)
                .times(List.of(new Written("1-10", at(2.5)), new Written("1-9", at(4)), new Written("1-8", at(3))));
        assertThat(times.takenBefore()).containsExactlyInAnyOrder("1-8", "1-9");
        assertThat(times.doubt().isBlank()).isTrue();
        assertThat(times.correct("1-8", at(3))).isEqualTo(at(1));
        assertThat(times.correct("1-10", at(2.5))).isEqualTo(at(2.5));
        assertThat(times.instrumentAhead()).isEqualTo(Duration.ofHours(2));
    }

    @Example
    void aReadingLaterThanItWasReadBackIsFromBefore() {
        assertThat(set(2, 0).times(List.of(new Written("1", at(5)))).takenBefore())
                .containsExactly("1");
    }

    @Example
    void aReadingFromBeforeTheLastLookIsFromBeforeTheSetting() {
        // Three hours slow: written at six, it was nine; with a right clock it would be from before the look that saw
        // the wrong one.
        Times times = set(-3, 0).times(List.of(new Written("1", at(-2)), new Written("2", at(2))));
        assertThat(times.takenBefore()).containsExactly("1");
        assertThat(times.correct("1", at(-2))).isEqualTo(at(1));
        assertThat(times.doubt().isBlank()).isTrue();
    }

    /**
     * The difference is known but for the delay of asking: a reading a moment after the clock was set does not seem to
     * fall back.
     */
    @Example
    void theDelayOfAskingContradictsNothing() {
        ClockState state = ClockState.of(
                ClockCorrection.NONE,
                Optional.of(new Earlier(new ClockCorrection(Duration.ofMillis(7_199_400)), at(0))),
                at(4));
        Times times =
                state.times(List.of(new Written("1", at(3).plusMillis(100)), new Written("2", at(1).plusMillis(200))));
        assertThat(times.takenBefore()).containsExactly("1");
        assertThat(times.doubt().isBlank()).isTrue();
    }

    /** The largest package, its times rising but for the setting: found in one pass over it. */
    @Example
    void aPackageOfVeryManyReadingsIsCutAtOnce() {
        List<Written> readings = new ArrayList<>();
        for (int i = 0; i < 200_000; i++) {
            readings.add(
                    new Written("r" + (1_000_000 + i), at(i < 150_000 ? 2 : 0).plusMillis(50L * i)));
        }
        assertThat(set(2, 0).times(readings).takenBefore()).hasSize(150_000);
    }

    @Example
    void whatCannotBeToldIsDoubted() {
        Times times = set(1, 0).times(List.of(new Written("1", at(1.5)), new Written("2", at(3))));
        assertThat(times.takenBefore()).isEmpty();
        assertThat(times.doubt()).isEqualTo(Sentence.of("reading.clockSet", "readings", 2));
    }

    @Example
    void aClockThatNobodySetIsCorrectedAsItIs() {
        ClockState state = ClockState.of(
                fast(2),
                Optional.of(new Earlier(
                        fast(2).instrumentAhead().isZero() ? fast(0) : new ClockCorrection(Duration.ofSeconds(7230)),
                        at(0))),
                at(4));
        assertThat(state.before()).as("a drift of seconds is no setting").isEmpty();
        assertThat(state.times(List.of(new Written("1", at(5)))).correct("1", at(5)))
                .isEqualTo(at(3));
        assertThat(ClockState.right(at(4))
                        .times(List.of(new Written("1", at(5))))
                        .correct("1", at(5)))
                .isEqualTo(at(5));
        assertThat(set(2, 0).times(List.of()).takenBefore()).isEmpty();
    }

    /** Whatever was taken when and however wrong the clock was: no time is wrong that is not doubted. */
    @Property(tries = 400)
    void whatIsNotDoubtedIsTrue(
            @ForAll long seed,
            @ForAll @IntRange(min = 1, max = 8) int count,
            @ForAll @IntRange(min = -12, max = 12) int quarters) {
        Random random = new Random(seed);
        double wrong = quarters / 4.0;
        double setAt = 4 * random.nextDouble();
        List<Double> taken = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            taken.add(4 * random.nextDouble());
        }
        Collections.sort(taken);
        List<Written> written = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            written.add(new Written("r" + (10 + i), at(taken.get(i) + (taken.get(i) < setAt ? wrong : 0))));
        }
        Collections.shuffle(written, random);
        Times times = set(wrong, 0).times(written);
        if (times.doubt().isBlank() && Math.abs(wrong) > 0.1) {
            for (Written one : written) {
                double truly = taken.get(Integer.parseInt(one.id().substring(1)) - 10);
                assertThat(Duration.between(times.correct(one.id(), one.at()), at(truly))
                                .abs())
                        .as("%s of %s", one, taken)
                        .isLessThanOrEqualTo(Duration.ofSeconds(1));
            }
        }
    }
}
