package rovek.core.route;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import rovek.core.wording.Sentence;

/**
 * One route shared between two instruments, so that two people, or one with both, walk it. An asset is not torn apart
 * where either can measure all of it, and the first goes as far as half of the time.
 *
 * @param first indexes of the stops of the first instrument, in walking order
 * @param second those of the second
 * @param left those that neither can measure, or that neither has room for
 * @param reasons why some are left, each a sentence
 */
public record RouteShare(List<Integer> first, List<Integer> second, List<Integer> left, List<Sentence> reasons) {

    public RouteShare {
        first = List.copyOf(first);
        second = List.copyOf(second);
        left = List.copyOf(left);
        reasons = List.copyOf(reasons);
    }

    public static RouteShare between(List<PlannedStop> stops, InstrumentProfile one, InstrumentProfile other) {
        Sharing sharing = new Sharing(stops, one, other);
        int begin = 0;
        while (begin < stops.size()) {
            int end = begin + 1;
            while (end < stops.size()
                    && stops.get(end).asset().equals(stops.get(begin).asset())) {
                end++;
            }
            sharing.shareAsset(begin, end);
            begin = end;
        }
        return sharing.outcome();
    }

    private static final class Sharing {

        private final List<PlannedStop> stops;
        private final InstrumentProfile one;
        private final InstrumentProfile other;
        private final Set<Integer> first = new TreeSet<>();
        private final Set<Integer> second = new TreeSet<>();
        private final Set<Integer> left = new TreeSet<>();
        private final Obstacles obstacles = new Obstacles();
        private final Set<String> withoutRoom = new LinkedHashSet<>();

        private Sharing(List<PlannedStop> stops, InstrumentProfile one, InstrumentProfile other) {
            this.stops = stops;
            this.one = one;
            this.other = other;
        }

        private void shareAsset(int begin, int end) {
            List<Integer> asset = new ArrayList<>();
            for (int i = begin; i < end; i++) {
                asset.add(i);
            }
            boolean firstIsBehind = seconds(first) < RouteNeeds.of(stops).seconds() / 2;
            Set<Integer> preferred = firstIsBehind ? first : second;
            Set<Integer> others = firstIsBehind ? second : first;
            if (takes(asset, preferred) || takes(asset, others)) {
                return;
            }
            for (int stop : asset) {
                if (!takes(List.of(stop), preferred) && !takes(List.of(stop), others)) {
                    left.add(stop);
                    explain(stop);
                }
            }
        }

        private boolean takes(List<Integer> added, Set<Integer> share) {
            InstrumentProfile instrument = share == first ? one : other;
            Set<Integer> wanted = new TreeSet<>(share);
            wanted.addAll(added);
            boolean can = added.stream().allMatch(stop -> Obstacles.isMeasurable(stops.get(stop), instrument))
                    && RouteNeeds.of(chosen(wanted)).memoryBytes() <= instrument.freeBytes();
            if (can) {
                share.addAll(added);
            }
            return can;
        }

        private void explain(int stop) {
            PlannedStop left = stops.get(stop);
            obstacles.add(left, one);
            obstacles.add(left, other);
            if (Obstacles.isMeasurable(left, one) || Obstacles.isMeasurable(left, other)) {
                withoutRoom.add(left.place());
            }
        }

        private double seconds(Set<Integer> share) {
            return RouteNeeds.of(chosen(share)).seconds();
        }

        private List<PlannedStop> chosen(Set<Integer> share) {
            return share.stream().map(stops::get).toList();
        }

        private RouteShare outcome() {
            List<Sentence> reasons = new ArrayList<>(obstacles.sentences());
            if (!withoutRoom.isEmpty()) {
                reasons.add(Sentence.of("route.noRoom", "places", String.join(", ", withoutRoom)));
            }
            return new RouteShare(List.copyOf(first), List.copyOf(second), List.copyOf(left), reasons);
        }
    }
}
