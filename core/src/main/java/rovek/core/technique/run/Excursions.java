package rovek.core.technique.run;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import rovek.core.technique.ChannelLimits;
import rovek.core.technique.run.Segments.Segment;

/** When a channel was outside its limits: between samples it crosses a limit where the straight line does. */
final class Excursions {

    private Excursions() {}

    /** A stretch of time outside, in seconds since the run began. */
    record Excursion(double fromSeconds, double toSeconds) {}

    /** @return in order of time, none touching the next */
    static List<Excursion> of(Collection<Segment> segments, ChannelLimits limits) {
        List<Excursion> pieces = new ArrayList<>();
        for (Segment segment : segments) {
            above(segment, limits.high(), pieces);
            above(mirrored(segment), -limits.low(), pieces);
        }
        return joined(pieces);
    }

    private static Segment mirrored(Segment segment) {
        return new Segment(segment.fromSeconds(), segment.toSeconds(), -segment.first(), -segment.last());
    }

    private static void above(Segment segment, double limit, List<Excursion> pieces) {
        boolean begins = segment.first() > limit;
        boolean ends = segment.last() > limit;
        if (!begins && !ends) {
            return;
        }
        double crossing = begins && ends
                ? 0
                : segment.fromSeconds()
                        + segment.seconds() * (limit - segment.first()) / (segment.last() - segment.first());
        pieces.add(new Excursion(begins ? segment.fromSeconds() : crossing, ends ? segment.toSeconds() : crossing));
    }

    /** What touches or overlaps is one. */
    static List<Excursion> joined(Collection<Excursion> pieces) {
        List<Excursion> joined = new ArrayList<>();
        pieces.stream()
                .sorted(Comparator.comparingDouble(Excursion::fromSeconds))
                .forEach(piece -> {
                    Excursion last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
                    if (last != null && piece.fromSeconds() <= last.toSeconds()) {
                        joined.set(
                                joined.size() - 1,
                                new Excursion(last.fromSeconds(), Math.max(last.toSeconds(), piece.toSeconds())));
                    } else {
                        joined.add(piece);
                    }
                });
        return joined;
    }

    static double seconds(Collection<Excursion> excursions) {
        return excursions.stream()
                .mapToDouble(one -> one.toSeconds() - one.fromSeconds())
                .sum();
    }
}
