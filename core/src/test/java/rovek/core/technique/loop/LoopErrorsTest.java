package rovek.core.technique.loop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.entry;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Scale;
import net.jqwik.api.constraints.Size;
import rovek.core.technique.loop.Nonlinearity.Place;

class LoopErrorsTest {

    private static final LoopSpan SPAN = LoopSpan.current(0, 100, Transfer.LINEAR);

    /** A point whose error is known, as 0.16 mA are 1 % of the span. */
    private static LoopPoint point(double nominal, double error, boolean isRising) {
        return new LoopPoint(nominal, nominal, 4 + 0.16 * nominal + 0.16 * error, isRising);
    }

    private static LoopErrors upAndDown() {
        return new LoopErrors(
                SPAN,
                List.of(
                        point(0, 0.10, true),
                        point(50, 0.20, true),
                        point(100, 0.30, true),
                        point(100, 0.30, false),
                        point(50, 0.44, false),
                        point(0, -0.06, false)));
    }

    /** Counted out by hand. */
    @Example
    void hysteresisAveragesAndTheLargestError() {
        LoopErrors errors = upAndDown();
        assertThat(errors.largest()).isCloseTo(0.44, within(1e-12));
        assertThat(errors.hysteresis().getAsDouble()).isCloseTo(0.24, within(1e-12));
        Map<Double, Double> averages = errors.averages();
        assertThat(averages.keySet()).containsExactly(0.0, 50.0, 100.0);
        assertThat(averages.get(0.0)).isCloseTo(0.02, within(1e-12));
        assertThat(averages.get(50.0)).isCloseTo(0.32, within(1e-12));
        // Ends at 0.02 and 0.30: the line is at 0.16 in the middle.
        assertThat(errors.nonlinearity().terminal().getAsDouble()).isCloseTo(0.16, within(1e-12));
        assertThat(errors.nonlinearity().minimax().getAsDouble()).isCloseTo(0.08, within(1e-12));
        // Mean 0.64/3, slope as the chord's: 0.32 - 0.64/3 is the largest distance.
        assertThat(errors.nonlinearity().leastSquares().getAsDouble()).isCloseTo(0.32 - 0.64 / 3, within(1e-12));
        assertThat(errors.repeatability()).isEmpty();
    }

    @Example
    void theLargestErrorKeepsItsSign() {
        assertThat(new LoopErrors(SPAN, List.of(point(0, 0.3, true), point(50, -0.4, true), point(100, 0.39, true)))
                        .largest())
                .isCloseTo(-0.4, within(1e-12));
        assertThat(new LoopErrors(SPAN, List.of(point(0, 0, true))).largest()).isZero();
    }

    @Example
    void aPointTakenSeveralTimes() {
        LoopErrors errors = new LoopErrors(
                SPAN,
                List.of(
                        point(50, 0.1, true),
                        point(50, 0.3, true),
                        point(50, 0.2, true),
                        point(50, 0.6, false),
                        point(50, 0.35, false)));
        // Twice is enough: 0.6 and 0.35.
        assertThat(errors.repeatability().getAsDouble()).isCloseTo(0.25, within(1e-12));
        // Means of the directions, 0.2 and 0.475, not of the five.
        assertThat(errors.averages().get(50.0)).isCloseTo(0.3375, within(1e-12));
        assertThat(errors.hysteresis().getAsDouble()).isCloseTo(0.275, within(1e-12));
        assertThat(errors.nonlinearity().terminal()).isEmpty();
        assertThat(errors.nonlinearity().minimax()).isEmpty();
    }

    @Example
    void driftIsOfThePointsThatBothHave() {
        LoopErrors before = new LoopErrors(SPAN, List.of(point(0, 0.1, true), point(50, 0.1, true)));
        LoopErrors now = new LoopErrors(SPAN, List.of(point(50, -0.25, true), point(100, 0.3, true)));
        assertThat(now.driftSince(before)).hasSize(1);
        assertThat(now.driftSince(before).get(50.0)).isCloseTo(-0.35, within(1e-12));
        assertThat(now.driftSince(now)).containsOnly(entry(50.0, 0.0), entry(100.0, 0.0));
    }

    @Example
    void aCalibrationHasPointsNotTooManyAndEachItsNumbers() {
        assertThatThrownBy(() -> new LoopErrors(SPAN, List.of())).hasMessageContaining("loop.points");
        List<LoopPoint> most = Collections.nCopies(LoopErrors.MOST, point(50, 0.1, true));
        assertThat(new LoopErrors(SPAN, most).largest()).isCloseTo(0.1, within(1e-12));
        List<LoopPoint> tooMany = Collections.nCopies(LoopErrors.MOST + 1, point(50, 0.1, true));
        assertThatThrownBy(() -> new LoopErrors(SPAN, tooMany)).hasMessageContaining("loop.points");
        for (double none : new double[] {Double.NaN, Double.POSITIVE_INFINITY}) {
            assertThatThrownBy(() -> new LoopPoint(none, 1, 4, true)).hasMessageContaining("loop.pointWithoutNumber");
            assertThatThrownBy(() -> new LoopPoint(50, none, 4, true)).hasMessageContaining("loop.pointWithoutNumber");
            assertThatThrownBy(() -> new LoopPoint(50, 1, none, true)).hasMessageContaining("loop.pointWithoutNumber");
        }
    }

    @Example
    void placesMayBeTheSame() {
        Nonlinearity two = Nonlinearity.of(List.of(new Place(0, 0), new Place(0, 0.4), new Place(100, 0)));
        assertThat(two.minimax()).isEmpty();
        Nonlinearity three =
                Nonlinearity.of(List.of(new Place(0, 0), new Place(0, 0.4), new Place(50, 0.2), new Place(100, 0.2)));
        assertThat(three.minimax().getAsDouble()).isCloseTo(0.2, within(1e-12));
    }

    /** Whatever the order; a straight line through the errors changes nothing; against a search over lines. */
    @Property(tries = 200)
    void nonlinearityIsOfTheShapeOnly(
            @ForAll @Size(min = 3, max = 11) List<@DoubleRange(min = -1, max = 1) @Scale(4) Double> errors,
            @ForAll @DoubleRange(min = -0.02, max = 0.02) @Scale(6) double slope,
            @ForAll @DoubleRange(min = -2, max = 2) double offset,
            @ForAll Random random) {
        List<Place> places = new ArrayList<>();
        List<Place> tilted = new ArrayList<>();
        for (int i = 0; i < errors.size(); i++) {
            double at = 100.0 * i / (errors.size() - 1);
            places.add(new Place(at, errors.get(i)));
            tilted.add(new Place(at, errors.get(i) + offset + slope * at));
        }
        Collections.shuffle(tilted, random);
        Nonlinearity plain = Nonlinearity.of(places);
        Nonlinearity moved = Nonlinearity.of(tilted);
        assertThat(moved.terminal().getAsDouble()).isCloseTo(plain.terminal().getAsDouble(), within(1e-9));
        assertThat(moved.leastSquares().getAsDouble())
                .isCloseTo(plain.leastSquares().getAsDouble(), within(1e-9));
        assertThat(moved.minimax().getAsDouble()).isCloseTo(plain.minimax().getAsDouble(), within(1e-9));
        double least = plain.minimax().getAsDouble();
        assertThat(plain.terminal().getAsDouble()).isGreaterThanOrEqualTo(least - 1e-12);
        assertThat(plain.leastSquares().getAsDouble()).isGreaterThanOrEqualTo(least - 1e-12);
        assertThat(searched(places)).isCloseTo(least, within(1e-6));
    }

    /** The same by golden section over the slope: the best offset of a slope is in the middle. */
    private static double searched(List<Place> places) {
        double low = -1;
        double high = 1;
        for (int i = 0; i < 100; i++) {
            double one = low + (high - low) * 0.381966;
            double other = low + (high - low) * 0.618034;
            if (halfSpread(places, one) < halfSpread(places, other)) {
                high = other;
            } else {
                low = one;
            }
        }
        return halfSpread(places, low);
    }

    private static double halfSpread(List<Place> places, double slope) {
        var rest = places.stream()
                .mapToDouble(place -> place.error() - slope * place.at())
                .summaryStatistics();
        return (rest.getMax() - rest.getMin()) / 2;
    }
}
