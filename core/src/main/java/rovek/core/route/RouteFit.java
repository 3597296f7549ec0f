package rovek.core.route;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import rovek.core.wording.Sentence;

/**
 * Whether an instrument can take a route.
 *
 * <p>Stops that a person writes down are left to the person where the instrument does not know them: they are in no
 * load and in nobody's way.
 *
 * @param outcome whole, in two loads, or not
 * @param reasons why not whole, each a sentence; empty where it fits
 * @param first indexes of the stops it takes in a first load, in walking order: all where it fits whole, none where it
 *     can measure none of them
 */
public record RouteFit(Outcome outcome, List<Sentence> reasons, List<Integer> first) {

    /** What an instrument can do with a route. */
    public enum Outcome {
        WHOLE,
        TWO_LOADS,
        CANNOT
    }

    public RouteFit {
        reasons = List.copyOf(reasons);
        first = List.copyOf(first);
    }

    /**
     * Two loads are one after the other: the second is loaded when the first was read back and cleared. Where it can
     * be, the first ends with an asset.
     */
    public static RouteFit of(List<PlannedStop> stops, InstrumentProfile instrument) {
        if (stops.isEmpty()) {
            return new RouteFit(Outcome.CANNOT, List.of(Sentence.of("route.noStops")), List.of());
        }
        Obstacles obstacles = new Obstacles();
        List<Integer> wanted = IntStream.range(0, stops.size())
                .filter(i -> !stops.get(i).isWrittenBeside(instrument))
                .boxed()
                .toList();
        if (wanted.isEmpty()) {
            return new RouteFit(Outcome.CANNOT, List.of(Sentence.of("route.allByHand")), List.of());
        }
        List<Integer> measurable = new ArrayList<>();
        for (int i : wanted) {
            obstacles.add(stops.get(i), instrument);
            if (Obstacles.isMeasurable(stops.get(i), instrument)) {
                measurable.add(i);
            }
        }
        List<Sentence> lacking = new ArrayList<>(obstacles.sentences());
        long needed = RouteNeeds.of(wanted.stream().map(stops::get).toList()).memoryBytes();
        if (needed > instrument.freeBytes()) {
            lacking.add(Sentence.of("route.memoryShort", "free", instrument.freeBytes() / 1e6, "needed", needed / 1e6));
        }
        if (lacking.isEmpty()) {
            return new RouteFit(Outcome.WHOLE, List.of(), measurable);
        }
        List<Integer> first = firstLoad(stops, measurable, instrument);
        List<PlannedStop> rest =
                wanted.stream().skip(first.size()).map(stops::get).toList();
        boolean inTwo = measurable.size() == wanted.size()
                && !first.isEmpty()
                && RouteNeeds.of(rest).memoryBytes() <= instrument.capacityBytes();
        return new RouteFit(inTwo ? Outcome.TWO_LOADS : Outcome.CANNOT, lacking, first);
    }

    private static List<Integer> firstLoad(
            List<PlannedStop> stops, List<Integer> measurable, InstrumentProfile instrument) {
        int most = 0;
        int mostWholeAssets = 0;
        for (int count = 1; count <= measurable.size(); count++) {
            List<PlannedStop> load =
                    measurable.subList(0, count).stream().map(stops::get).toList();
            if (RouteNeeds.of(load).memoryBytes() > instrument.freeBytes()) {
                break;
            }
            most = count;
            boolean endsWithAnAsset = count == measurable.size()
                    || !stops.get(measurable.get(count))
                            .asset()
                            .equals(stops.get(measurable.get(count - 1)).asset());
            mostWholeAssets = endsWithAnAsset ? count : mostWholeAssets;
        }
        return measurable.subList(0, mostWholeAssets > 0 ? mostWholeAssets : most);
    }
}
