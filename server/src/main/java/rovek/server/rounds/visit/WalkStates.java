package rovek.server.rounds.visit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import rovek.link.packet.Walk;

/**
 * What a walk brings to its visit. Only a newer state of the same walk changes its stops: the same file taken once
 * more, or one that was read back before, changes nothing. Of a visit that a person corrected, a newer state moves
 * stops on - to do, begun, done or skipped - and puts no stop back or elsewhere.
 */
final class WalkStates {

    private WalkStates() {}

    /** @param at when the instrument wrote the state, by its clock */
    static void take(VisitEntity visit, Walk walked, Instant at) {
        boolean isFirst = visit.walkStateAt == null;
        if (!isFirst && !at.isAfter(visit.walkStateAt) && !isFurther(visit, walked)) {
            return;
        }
        visit.walkId = walked.id();
        visit.walkStateAt = isFirst || at.isAfter(visit.walkStateAt) ? at : visit.walkStateAt;
        if (visit.routeId == null || !visit.corrected) {
            visit.routeId = walked.route();
            visit.title = walked.name();
        }
        if (isFirst || !visit.corrected) {
            List<VisitEntity.Stop> stops = walked.stops().stream()
                    .map(stop -> new VisitEntity.Stop(stop.id(), stop.progress().word(), stop.note(), stop.id()))
                    .toList();
            if (!stops.equals(visit.stops)) {
                visit.stops = new ArrayList<>(stops);
            }
            return;
        }
        visit.stops = new ArrayList<>(visit.stops.stream()
                .map(stop -> movedOn(stop, byPlan(walked).get(stop.planned())))
                .toList());
    }

    private static Map<UUID, Walk.WalkedStop> byPlan(Walk walked) {
        Map<UUID, Walk.WalkedStop> stops = new HashMap<>();
        walked.stops().forEach(stop -> stops.put(stop.id(), stop));
        return stops;
    }

    private static VisitEntity.Stop movedOn(VisitEntity.Stop stop, Walk.WalkedStop walked) {
        if (walked == null) {
            return stop;
        }
        String progress = rank(walked.progress().word()) > rank(stop.progress())
                ? walked.progress().word()
                : stop.progress();
        return new VisitEntity.Stop(
                stop.checkId(), progress, stop.note().isBlank() ? walked.note() : stop.note(), stop.planned());
    }

    /** Also where the instrument's clock was set back meanwhile: more is done than is known. */
    private static boolean isFurther(VisitEntity visit, Walk walked) {
        Map<UUID, Walk.WalkedStop> stops = byPlan(walked);
        return visit.stops.stream()
                .anyMatch(stop -> stops.containsKey(stop.planned())
                        && rank(stops.get(stop.planned()).progress().word()) > rank(stop.progress()));
    }

    private static int rank(String progress) {
        return switch (progress) {
            case "begun" -> 1;
            case "done", "skipped" -> 2;
            default -> 0;
        };
    }
}
