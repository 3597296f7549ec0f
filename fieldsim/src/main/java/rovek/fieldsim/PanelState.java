package rovek.fieldsim;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import rovek.core.wording.Sentence;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.SetupPackage;

/** What the panel shows. */
record PanelState(
        @JsonUnwrapped PanelNameplate nameplate,
        @JsonUnwrapped PanelClock clock,
        long usedBytes,
        long freeBytes,
        @JsonUnwrapped PanelRoute route,
        List<PanelLoose> loose,
        PanelSetup setup,
        boolean memoryFull,
        List<String> techniques,
        boolean recordsRuns,
        boolean runGoesOn,
        Sentence problem) {

    record PanelNameplate(String model, String serial, String firmware, int battery) {}

    record PanelClock(String clock, String plantTime, long clockErrorSeconds) {}

    record PanelRoute(String route, List<PanelStop> stops, List<String> skipReasons) {}

    record PanelStop(
            UUID id,
            String assetTag,
            String assetName,
            String point,
            String check,
            String progress,
            String note,
            int readings,
            String instruction,
            String picture) {}

    /** The set-up it holds: blank name for none. */
    record PanelSetup(String name, String says, List<String> rows) {}

    record PanelLoose(String id, String technique, String label, String takenAt) {}

    static PanelState of(Handheld handheld, Faults faults, Sentence problem) {
        HandheldModel model = handheld.model();
        Map<UUID, StopState> states = handheld.walk().stream()
                .flatMap(walk -> walk.stops().stream())
                .collect(Collectors.toMap(StopState::id, Function.identity()));
        List<PanelStop> stops = handheld.route().stream()
                .flatMap(route -> route.stops().stream())
                .map(stop -> stop(stop, states.get(stop.id())))
                .toList();
        return new PanelState(
                new PanelNameplate(
                        model.model(), model.serial(), handheld.firmware().version(), handheld.battery()),
                new PanelClock(
                        handheld.clock().instrumentTime().toString(),
                        handheld.clock().plantTime().toString(),
                        handheld.clock().error().toSeconds()),
                handheld.usedBytes(),
                handheld.freeBytes(),
                new PanelRoute(
                        handheld.route().map(RoutePackage::name).orElse(""),
                        stops,
                        handheld.route().map(RoutePackage::skipReasons).orElse(List.of())),
                handheld.looseReadings().stream()
                        .map(reading -> new PanelLoose(
                                reading.id(),
                                reading.technique(),
                                reading.label(),
                                reading.takenAt().toString()))
                        .toList(),
                setup(handheld.setup()),
                faults.isMemoryFull(),
                model.techniques(),
                handheld.live().recordsRuns(),
                handheld.run().isRunning(),
                problem);
    }

    private static PanelSetup setup(Optional<SetupPackage> held) {
        return held.map(setup -> new PanelSetup(
                        "%s (%d)".formatted(setup.name(), setup.revision()),
                        String.join(", ", new TreeMap<>(setup.content().values()).values()),
                        setup.content().rows().stream()
                                .map(row -> String.join(", ", new TreeMap<>(row).values()))
                                .toList()))
                .orElse(new PanelSetup("", "", List.of()));
    }

    private static PanelStop stop(RoutePackage.RouteStop stop, StopState state) {
        return new PanelStop(
                stop.id(),
                stop.assetTag(),
                stop.assetName(),
                stop.point(),
                stop.check(),
                state.progress().name(),
                state.note(),
                state.readingIds().size(),
                stop.instruction(),
                stop.picture());
    }
}
