package rovek.fieldsim;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import rovek.core.wording.Sentence;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.Walk;

/**
 * The walk in progress.
 *
 * @param id never used for another walk
 * @param number of the walk on this instrument, from 1
 */
record WalkState(UUID id, int number, UUID route, String name, List<StopState> stops) {

    WalkState {
        stops = List.copyOf(stops);
    }

    static WalkState begin(int number, RoutePackage route) {
        return new WalkState(
                UUID.randomUUID(),
                number,
                route.id(),
                route.name(),
                route.stops().stream()
                        .map(stop -> new StopState(stop.id(), Walk.Progress.TO_DO, "", List.of()))
                        .toList());
    }

    StopState stop(UUID id) {
        return stops.stream()
                .filter(stop -> stop.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new HandheldException(Sentence.of("handheld.noStop")));
    }

    WalkState with(StopState changed) {
        List<StopState> copy = new ArrayList<>(stops);
        copy.replaceAll(stop -> stop.id().equals(changed.id()) ? changed : stop);
        return new WalkState(id, number, route, name, copy);
    }

    String fileName() {
        return "RESULTS/W%04d.zip".formatted(number);
    }

    boolean hasReadings() {
        return stops.stream()
                .anyMatch(stop -> !stop.readingIds().isEmpty() || stop.progress() == Walk.Progress.SKIPPED);
    }

    Walk toWalk() {
        return new Walk(
                id,
                route,
                name,
                stops.stream()
                        .map(stop -> new Walk.WalkedStop(stop.id(), stop.progress(), stop.note()))
                        .toList());
    }
}
