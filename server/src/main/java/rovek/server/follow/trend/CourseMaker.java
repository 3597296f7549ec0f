package rovek.server.follow.trend;

import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rovek.core.limit.Baselines;
import rovek.core.limit.Verdict;
import rovek.core.trend.TimedValue;
import rovek.core.trend.Trend;
import rovek.server.follow.trend.TrendView.Course;
import rovek.server.follow.trend.TrendView.Finding;
import rovek.server.follow.trend.TrendView.LimitStep;
import rovek.server.follow.trend.TrendView.PathPoint;
import rovek.server.follow.trend.TrendView.Reaching;

/** Says where the values since the last new start are going. */
final class CourseMaker {

    private static final int STEPS_OF_A_GROWTH = 24;

    private CourseMaker() {}

    /**
     * @param limit the boundaries that hold now; null where there are none
     * @return null where there are no values
     */
    static @Nullable Course of(List<TimedValue> values, Baselines baselines, @Nullable LimitStep limit) {
        if (values.isEmpty()) {
            return null;
        }
        Instant last = values.get(values.size() - 1).at();
        Optional<Baselines.Start> start = baselines.before(last);
        List<TimedValue> since = values.stream()
                .filter(value -> baselines.before(value.at()).equals(start))
                .toList();
        Optional<Trend> found = Trend.of(since);
        if (found.isEmpty()) {
            return new Course(Finding.TOO_FEW, since.size(), null, false, false, 0, 1, List.of(), null);
        }
        Trend trend = found.get();
        Reaching reach = limit == null || limit.to() != null ? null : reach(trend, limit);
        Instant end = reach == null ? last : Instant.parse(reach.at());
        return new Course(
                trend.isSignificant() ? Finding.TREND : Finding.NONE,
                trend.readings(),
                trend.since().toString(),
                trend.isGrowth(),
                trend.isUneven(),
                trend.perDay(),
                trend.probability(),
                trend.isSignificant() && !trend.isUneven() ? path(trend, end) : List.of(),
                reach);
    }

    /** The fail boundary the line leads to, else the watch boundary. */
    private static @Nullable Reaching reach(Trend trend, LimitStep limit) {
        record Boundary(Verdict which, Double value) {}
        return Stream.of(
                        new Boundary(Verdict.FAIL, limit.fail()), new Boundary(Verdict.FAIL, limit.failLow()),
                        new Boundary(Verdict.WATCH, limit.watch()), new Boundary(Verdict.WATCH, limit.watchLow()))
                .filter(boundary -> boundary.value() != null)
                .flatMap(boundary -> trend.reaching(boundary.value()).stream()
                        .map(reaching -> new Reaching(
                                boundary.which(),
                                boundary.value(),
                                reaching.at().toString(),
                                reaching.earliest().toString(),
                                reaching.latest().map(Instant::toString).orElse(null))))
                .findFirst()
                .orElse(null);
    }

    private static List<PathPoint> path(Trend trend, Instant end) {
        int steps = trend.isGrowth() ? STEPS_OF_A_GROWTH : 1;
        Duration whole = Duration.between(trend.since(), end);
        List<PathPoint> path = new ArrayList<>();
        for (int i = 0; i <= steps; i++) {
            Instant at = trend.since().plus(whole.multipliedBy(i).dividedBy(steps));
            path.add(new PathPoint(at.toString(), trend.at(at)));
        }
        return path;
    }
}
