package rovek.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Set;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import rovek.core.technique.StopDemand;

class RouteNeedsTest {

    private static PlannedStop stop(Set<String> options) {
        return new PlannedStop("P-101 Drive end", "vibration", new StopDemand(66_000, 0.64, options));
    }

    @Property(tries = 50)
    void aRouteFitsExactlyWhenItsMemoryDoes(@ForAll @IntRange(min = 1, max = 200) int stops) {
        List<PlannedStop> route = Collections.nCopies(stops, stop(Set.of()));
        long needed = RouteNeeds.of(route).memoryBytes();
        assertThat(RouteNeeds.obstacles(route, new InstrumentProfile(Set.of("vibration"), Set.of(), needed))).isEmpty();
        assertThat(RouteNeeds.obstacles(route, new InstrumentProfile(Set.of("vibration"), Set.of(), needed - 1)))
                .singleElement().asString().contains("read back and clear first");
    }

    @Example
    void everyReasonIsGivenAtOnceAndOnlyOnce() {
        List<PlannedStop> route = Collections.nCopies(3, stop(Set.of("ENVELOPE")));
        List<String> reasons = RouteNeeds.obstacles(route, new InstrumentProfile(Set.of(), Set.of(), 10));
        assertThat(reasons).hasSize(3);
        assertThat(reasons.get(0)).contains("does not measure vibration");
        assertThat(reasons.get(1)).contains("lacks the option ENVELOPE");
        assertThat(RouteNeeds.obstacles(List.of(), new InstrumentProfile(Set.of(), Set.of(), 1_000_000)))
                .containsExactly("The route has no stops yet.");
    }
}
