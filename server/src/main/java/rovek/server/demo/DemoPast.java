package rovek.server.demo;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import rovek.core.plant.Level;
import rovek.server.judging.limit.Limits;
import rovek.server.plant.event.EventKind;
import rovek.server.plant.event.PlantEvents;
import rovek.server.plant.event.PlantEvents.EventDraft;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantNode;
import rovek.server.plant.tree.PlantTree;

/** What happened to the demonstration plant in its two years, and which limits were changed meanwhile. */
@Component
@ConditionalOnProperty("rovek.demo.panel")
class DemoPast {

    private final Plant plant;
    private final PlantEvents events;
    private final Limits limits;
    private final Clock clock;

    DemoPast(Plant plant, PlantEvents events, Limits limits, Clock clock) {
        this.plant = plant;
        this.events = events;
        this.limits = limits;
        this.clock = clock;
    }

    void note() {
        PlantTree tree = plant.tree();
        event(
                point(tree, "P-103", "Drive end"),
                daysAgo(14, 3),
                EventKind.REPAIR,
                "Drive-end bearing worn out and replaced");
        event(
                asset(tree, "P-101"),
                daysAgo(9, 0),
                EventKind.SENSOR,
                "Measured with the newly calibrated accelerometer from now on");
        event(asset(tree, "B-201"), daysAgo(5, 1), EventKind.NOTE, "Coupling guard refitted, alignment not checked");
        tree.checksBelow(asset(tree, "B-201").id()).stream()
                .filter(check ->
                        tree.name(tree.nodes().find(check.id()).orElseThrow()).startsWith("Velocity"))
                .forEach(check -> tightened(check.id()));
    }

    /** Looser until half a year ago. */
    private void tightened(UUID check) {
        limits.say(check, "vibration", "velocity.rms", Limits.Saying.above(4.5, 11.0));
        limits.say(
                check,
                "vibration",
                "velocity.rms",
                new Limits.Saying(
                        Limits.Saying.above(3.5, 7.1).limit(),
                        false,
                        daysAgo(6, 0).toString(),
                        null));
        limits.say(check, "vibration", "velocity.band.twice running speed", Limits.Saying.above(2.5, 5.0));
    }

    private void event(PlantNode node, Instant at, EventKind kind, String words) {
        events.put(node.id(), UUID.randomUUID(), new EventDraft(at.toString(), kind, words, null, null));
    }

    /** Some days after the walk so many months ago. */
    private Instant daysAgo(int months, int daysAfter) {
        LocalDate newest = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC).minusDays(1);
        return newest.minusMonths(months).plusDays(daysAfter).atTime(14, 0).toInstant(ZoneOffset.UTC);
    }

    private static PlantNode asset(PlantTree tree, String tag) {
        return tree.inOrder().stream()
                .filter(node -> node.tag().equals(tag))
                .findFirst()
                .orElseThrow();
    }

    private static PlantNode point(PlantTree tree, String tag, String name) {
        List<PlantNode> all = tree.inOrder();
        UUID asset = asset(tree, tag).id();
        return all.stream()
                .filter(node ->
                        node.level() == Level.POINT && node.name().equals(name) && asset.equals(node.parentId()))
                .findFirst()
                .orElseThrow();
    }
}
