package rovek.core.technique.loop;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Stream;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * The errors of one calibration, as found or as left, all in % of the output span; after IEC 61298-2.
 *
 * @param points 1 to {@link #MOST}, in the order in which they were taken
 */
public record LoopErrors(LoopSpan span, List<LoopPoint> points) {

    /** Eleven points up and down, nine times over. */
    public static final int MOST = 200;

    /** @throws Refused for none or too many points */
    public LoopErrors {
        points = List.copyOf(points);
        if (points.isEmpty() || points.size() > MOST) {
            throw new Refused(Sentence.of("loop.points", "most", MOST));
        }
    }

    /** Of one of its points. */
    public double of(LoopPoint point) {
        return span.error(point.applied(), point.measured());
    }

    /** The error that is furthest from 0, with its sign; the first of equals. */
    public double largest() {
        double largest = 0;
        for (LoopPoint point : points) {
            double error = of(point);
            largest = Math.abs(error) > Math.abs(largest) ? error : largest;
        }
        return largest;
    }

    /** The largest difference between the means of the two directions at one point; empty where none has both. */
    public OptionalDouble hysteresis() {
        return byNominal().values().stream()
                .filter(ErrorsThere::hasBoth)
                .mapToDouble(there -> Math.abs(there.meanFalling() - there.meanRising()))
                .max();
    }

    /** The largest spread of errors taken at one point in one direction; empty where none was taken twice. */
    public OptionalDouble repeatability() {
        return byNominal().values().stream()
                .flatMap(ErrorsThere::spreads)
                .mapToDouble(Double::doubleValue)
                .max();
    }

    /** The mean of both directions at every point, nominal % of the input span to it, rising. */
    public Map<Double, Double> averages() {
        Map<Double, Double> averages = new TreeMap<>();
        byNominal().forEach((nominal, there) -> averages.put(nominal, there.average()));
        return averages;
    }

    /** How far the average errors bend away from a straight line. */
    public Nonlinearity nonlinearity() {
        List<Nonlinearity.Place> places = new ArrayList<>();
        byNominal().values().forEach(there -> places.add(new Nonlinearity.Place(there.meanApplied(), there.average())));
        return Nonlinearity.of(places);
    }

    /**
     * How the average errors have moved since an earlier calibration, nominal % to it; points that only one of them has
     * are left out.
     */
    public Map<Double, Double> driftSince(LoopErrors before) {
        Map<Double, Double> now = averages();
        Map<Double, Double> drift = new TreeMap<>();
        before.averages().forEach((nominal, then) -> {
            Double here = now.get(nominal);
            if (here != null) {
                drift.put(nominal, here - then);
            }
        });
        return drift;
    }

    private TreeMap<Double, ErrorsThere> byNominal() {
        TreeMap<Double, ErrorsThere> there = new TreeMap<>();
        points.forEach(point -> there.computeIfAbsent(point.nominal(), nominal -> new ErrorsThere(new ArrayList<>()))
                .taken()
                .add(new Taken(span.share(point.applied()) * 100, of(point), point.isRising())));
        return there;
    }

    private record Taken(double applied, double error, boolean isRising) {}

    /** What was taken at one nominal point. */
    private record ErrorsThere(List<Taken> taken) {

        boolean hasBoth() {
            return taken.stream().anyMatch(Taken::isRising) && !taken.stream().allMatch(Taken::isRising);
        }

        double meanRising() {
            return mean(Taken::isRising);
        }

        double meanFalling() {
            return mean(one -> !one.isRising());
        }

        /** The mean of the directions, so that a point taken more often in one of them is not drawn to it. */
        double average() {
            return hasBoth() ? (meanRising() + meanFalling()) / 2 : mean(one -> true);
        }

        double meanApplied() {
            return taken.stream().mapToDouble(Taken::applied).average().orElseThrow();
        }

        Stream<Double> spreads() {
            return Stream.of(true, false)
                    .map(rising -> taken.stream()
                            .filter(one -> one.isRising() == rising)
                            .mapToDouble(Taken::error)
                            .summaryStatistics())
                    .filter(errors -> errors.getCount() > 1)
                    .map(errors -> errors.getMax() - errors.getMin());
        }

        private double mean(Predicate<Taken> which) {
            return taken.stream()
                    .filter(which)
                    .mapToDouble(Taken::error)
                    .average()
                    .orElseThrow();
        }
    }
}
