package rovek.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import rovek.core.route.RouteFit.Outcome;
import rovek.core.technique.StopDemand;
import rovek.core.wording.Sentence;

class RouteNeedsTest {

    private static PlannedStop stop(String asset, Set<String> options) {
        return new PlannedStop(
                asset + " Drive end", asset, "vibration", false, "", new StopDemand(66_000, 0.64, options));
    }

    private static InstrumentProfile handheld(long freeBytes, long capacityBytes) {
        return new InstrumentProfile(Set.of("vibration"), Set.of(), Map.of(), freeBytes, capacityBytes);
    }

    private static long memory(List<PlannedStop> stops) {
        return RouteNeeds.of(stops).memoryBytes();
    }

    @Property(tries = 50)
    void aRouteFitsExactlyWhenItsMemoryDoes(@ForAll @IntRange(min = 1, max = 200) int stops) {
        List<PlannedStop> route = Collections.nCopies(stops, stop("P-101", Set.of()));
        assertThat(RouteFit.of(route, handheld(memory(route), memory(route))).outcome())
                .isEqualTo(Outcome.WHOLE);
        RouteFit tooSmall = RouteFit.of(route, handheld(memory(route) - 1, memory(route)));
        assertThat(tooSmall.outcome()).isNotEqualTo(Outcome.WHOLE);
        assertThat(tooSmall.reasons()).singleElement().asString().startsWith("route.memoryShort");
    }

    @Property(tries = 100)
    void twoLoadsAreTheWholeRouteAndEachFits(
            @ForAll @IntRange(min = 2, max = 60) int stops,
            @ForAll @IntRange(min = 1, max = 7) int anAsset,
            @ForAll @IntRange(min = 1, max = 60) int room) {
        List<PlannedStop> route = new ArrayList<>();
        for (int i = 0; i < stops; i++) {
            route.add(stop("P-" + i / anAsset, Set.of()));
        }
        long capacity = memory(route.subList(0, Math.min(room, stops)));
        RouteFit fit = RouteFit.of(route, handheld(capacity, capacity));
        if (fit.outcome() == Outcome.TWO_LOADS) {
            int cut = fit.first().size();
            assertThat(fit.first()).isEqualTo(IntStream.range(0, cut).boxed().toList());
            assertThat(memory(route.subList(0, cut))).isLessThanOrEqualTo(capacity);
            assertThat(memory(route.subList(cut, stops))).isLessThanOrEqualTo(capacity);
        }
        assertThat(fit.outcome() == Outcome.WHOLE).isEqualTo(room >= stops);
    }

    @Example
    void theFirstLoadEndsWithAnAssetWhereItCan() {
        List<PlannedStop> route = new ArrayList<>(Collections.nCopies(3, stop("P-101", Set.of())));
        route.addAll(Collections.nCopies(3, stop("P-102", Set.of())));
        long fiveFit = memory(route.subList(0, 5));
        assertThat(RouteFit.of(route, handheld(fiveFit, fiveFit)).first()).containsExactly(0, 1, 2);
        long twoFit = memory(route.subList(0, 2));
        assertThat(RouteFit.of(route, handheld(twoFit, memory(route))).first())
                .as("not even one asset fits")
                .containsExactly(0, 1);
    }

    private static final Sentence LACKS_ENVELOPE =
            Sentence.of("route.lacksOption", "option", "ENVELOPE", "points", 1, "place", "P-101 Drive end");

    @Example
    void everyReasonIsGivenAtOnceAndOnlyOnceAndWhatItCanTakeIsTold() {
        List<PlannedStop> route = new ArrayList<>(Collections.nCopies(3, stop("P-101", Set.of("ENVELOPE"))));
        route.add(stop("P-102", Set.of()));
        RouteFit fit = RouteFit.of(route, handheld(1_000_000, 1_000_000));
        assertThat(fit.outcome()).isEqualTo(Outcome.CANNOT);
        assertThat(fit.reasons()).containsExactly(LACKS_ENVELOPE);
        assertThat(fit.first()).containsExactly(3);
        RouteFit nothing = RouteFit.of(route, new InstrumentProfile(Set.of(), Set.of(), Map.of(), 10, 10));
        assertThat(nothing.reasons())
                .startsWith(
                        Sentence.of(
                                "route.lacksTechnique",
                                "technique",
                                Sentence.named("names.technique:vibration", "vibration"),
                                "points",
                                2,
                                "place",
                                "P-101 Drive end"),
                        LACKS_ENVELOPE)
                .hasSize(3);
        assertThat(nothing.first()).isEmpty();
        assertThat(RouteFit.of(List.of(), handheld(1, 1)).reasons()).containsExactly(Sentence.of("route.noStops"));
    }
}
