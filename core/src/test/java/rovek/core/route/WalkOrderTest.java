package rovek.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import rovek.core.technique.StopDemand;
import rovek.core.wording.Sentence;

class WalkOrderTest {

    private static UUID id(String name) {
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    }

    /** A plant of 3 areas, 3 assets in each, 2 points in each, one check at each, by its place in the rows. */
    private static ShortestWalk.Stop stop(int place) {
        int area = place / 6;
        int asset = place / 2;
        return new ShortestWalk.Stop(
                id("check " + place),
                List.of(id("site"), id("area " + area), id("asset " + asset), id("point " + place)),
                place);
    }

    private static List<ShortestWalk.Stop> someStops(long seed, int count) {
        List<ShortestWalk.Stop> all = new ArrayList<>(
                IntStream.range(0, 18).mapToObj(WalkOrderTest::stop).toList());
        Collections.shuffle(all, new Random(seed));
        return all.subList(0, count);
    }

    private static List<UUID> areas(long seed) {
        List<UUID> areas = new ArrayList<>(List.of(id("area 0"), id("area 1"), id("area 2")));
        Collections.shuffle(areas, new Random(seed));
        return areas;
    }

    private static int rank(ShortestWalk.Stop stop, List<UUID> areas) {
        return areas.indexOf(stop.path().get(1));
    }

    /** The fewest steps of any order that keeps the areas' order, found by trying all of them. */
    private static int fewest(List<ShortestWalk.Stop> left, List<ShortestWalk.Stop> walked, List<UUID> areas) {
        if (left.isEmpty()) {
            return ShortestWalk.steps(walked);
        }
        int next = left.stream().mapToInt(stop -> rank(stop, areas)).min().orElseThrow();
        int fewest = Integer.MAX_VALUE;
        for (ShortestWalk.Stop stop : left) {
            if (rank(stop, areas) == next) {
                List<ShortestWalk.Stop> rest = new ArrayList<>(left);
                rest.remove(stop);
                List<ShortestWalk.Stop> further = new ArrayList<>(walked);
                further.add(stop);
                fewest = Math.min(fewest, fewest(rest, further, areas));
            }
        }
        return fewest;
    }

    @Property(tries = 60)
    void noOtherOrderThatKeepsTheAreasTakesFewerSteps(
            @ForAll long seed, @ForAll @IntRange(min = 1, max = 7) int count) {
        List<ShortestWalk.Stop> stops = someStops(seed, count);
        List<ShortestWalk.Stop> walk = ShortestWalk.order(stops, areas(seed));
        assertThat(walk).containsExactlyInAnyOrderElementsOf(stops);
        assertThat(walk.stream().map(stop -> rank(stop, areas(seed))).toList()).isSorted();
        assertThat(ShortestWalk.steps(walk)).isEqualTo(fewest(stops, List.of(), areas(seed)));
    }

    @Example
    void anOrderThatIsAsShortAlreadyStays() {
        List<ShortestWalk.Stop> backwards = List.of(stop(5), stop(4), stop(3), stop(2));
        assertThat(ShortestWalk.order(backwards, List.of(id("area 0")))).isEqualTo(backwards);
        assertThat(ShortestWalk.order(backwards, List.of()))
                .as("no area is named: all come last, as they are")
                .isEqualTo(backwards);
        assertThat(ShortestWalk.order(List.of(), List.of())).isEmpty();
    }

    private static PlannedStop planned(int i, int anAsset, Random random) {
        String technique = random.nextInt(4) == 0 ? "loop" : "vibration";
        return new PlannedStop(
                "stop " + i,
                "asset " + i / anAsset,
                technique,
                false,
                random.nextInt(6) == 0 ? "ACC-1" : "",
                new StopDemand(10_000 + random.nextInt(90_000), 1, Set.of()));
    }

    private static InstrumentProfile profile(Random random) {
        Set<String> techniques = random.nextBoolean() ? Set.of("vibration", "loop") : Set.of("vibration");
        long memory = 50_000 + random.nextInt(2_000_000);
        return new InstrumentProfile(
                techniques,
                Set.of(),
                random.nextBoolean() ? Map.of() : Map.of("ACC-1", Sentence.plain("is retired")),
                memory,
                memory);
    }

    @Property(tries = 200)
    void twoInstrumentsShareARouteWithoutLosingAStopOrTakingWhatTheyCannot(
            @ForAll long seed, @ForAll @IntRange(min = 1, max = 40) int count) {
        Random random = new Random(seed);
        int anAsset = 1 + random.nextInt(5);
        List<PlannedStop> stops = IntStream.range(0, count)
                .mapToObj(i -> planned(i, anAsset, random))
                .toList();
        InstrumentProfile one = profile(random);
        InstrumentProfile other = profile(random);
        RouteShare share = RouteShare.between(stops, one, other);
        List<Integer> all = new ArrayList<>(share.first());
        all.addAll(share.second());
        all.addAll(share.left());
        assertThat(all)
                .containsExactlyInAnyOrderElementsOf(
                        IntStream.range(0, count).boxed().toList());
        assertFits(share.first().stream().map(stops::get).toList(), one);
        assertFits(share.second().stream().map(stops::get).toList(), other);
        assertThat(share.left().isEmpty()).isEqualTo(share.reasons().isEmpty());
    }

    private static void assertFits(List<PlannedStop> share, InstrumentProfile instrument) {
        if (!share.isEmpty()) {
            assertThat(RouteFit.of(share, instrument).outcome()).isEqualTo(RouteFit.Outcome.WHOLE);
        }
    }

    @Example
    void twoAlikeShareHalfEachAndTearNoAssetApart() {
        List<PlannedStop> stops = IntStream.range(0, 12)
                .mapToObj(i -> new PlannedStop(
                        "stop " + i, "asset " + i / 3, "vibration", false, "", new StopDemand(10, 1, Set.of())))
                .toList();
        InstrumentProfile ample = new InstrumentProfile(Set.of("vibration"), Set.of(), Map.of(), 1_000_000, 1_000_000);
        RouteShare share = RouteShare.between(stops, ample, ample);
        assertThat(share.first()).containsExactly(0, 1, 2, 3, 4, 5);
        assertThat(share.second()).containsExactly(6, 7, 8, 9, 10, 11);
    }
}
