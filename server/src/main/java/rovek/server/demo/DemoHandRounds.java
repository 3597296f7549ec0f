package rovek.server.demo;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.server.intake.entry.WrittenReadings;
import rovek.server.intake.entry.WrittenRound;
import rovek.server.intake.entry.WrittenRound.WrittenReading;
import rovek.server.judging.limit.Limits;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantEditor;
import rovek.server.plant.tree.PlantEditor.NewNode;
import rovek.server.plant.tree.PlantNode;
import rovek.server.rounds.route.RouteDraft;
import rovek.server.rounds.route.Routes;

/**
 * The weekly round by eye: a compressor whose oil runs a little warmer every week, written down as a technician would.
 */
@Component
@ConditionalOnProperty("rovek.demo.panel")
class DemoHandRounds {

    private static final int WEEKS = 13;

    private final Plant tree;
    private final DemoPlant demoPlant;
    private final PlantEditor plant;
    private final Limits limits;
    private final Routes routes;
    private final WrittenReadings written;
    private final Clock clock;

    DemoHandRounds(
            Plant tree,
            DemoPlant demoPlant,
            PlantEditor plant,
            Limits limits,
            Routes routes,
            WrittenReadings written,
            Clock clock) {
        this.tree = tree;
        this.demoPlant = demoPlant;
        this.plant = plant;
        this.limits = limits;
        this.routes = routes;
        this.written = written;
        this.clock = clock;
    }

    /** Plans the compressor and its round, and walks it every week. Stops that instruments take are planned before. */
    void live() {
        PlantNode utilities = tree.tree().inOrder().stream()
                .filter(node -> node.name().equals("Utilities"))
                .findFirst()
                .orElseThrow();
        UUID panel = demoPlant.add(
                demoPlant.add(utilities.id(), Level.ASSET, "C-310", "Compressor 1"), Level.POINT, "", "Panel");
        UUID pressure = check(panel, "gauge", "Pressure", Map.of());
        UUID oil = check(panel, "gauge", "Temperature", Map.of());
        UUID drain = check(panel, "question", "Yes or no", Map.of("question", "Is the condensate drain clear?"));
        UUID remark = check(panel, "remark", "Remark", Map.of());
        limits.say(pressure, "gauge", "pressure", Limits.Saying.above(8.0, 8.5));
        limits.say(oil, "gauge", "temperature", Limits.Saying.above(85.0, 95.0));
        // The right answer is the limit: what its technique proposes, on the side that is worse.
        limits.take(drain, "question", "answer.yes", Limits.Source.STANDARD, null);
        UUID route = UUID.randomUUID();
        routes.put(
                route,
                new RouteDraft(
                        "Utilities, weekly by eye",
                        List.of(pressure, oil, drain, remark),
                        Map.of(oil, "Read it after ten minutes under load"),
                        Map.of(),
                        7,
                        null,
                        "technician",
                        0));
        loops(utilities);
        Random random = new Random(310);
        for (int back = WEEKS; back > 0; back--) {
            Instant at = clock.instant()
                    .minus(Duration.ofDays(7L * back - 5))
                    .truncatedTo(ChronoUnit.DAYS)
                    .plus(Duration.ofMinutes(8 * 60 + 40L));
            Map<UUID, String> said = new LinkedHashMap<>();
            said.put(pressure, number(7.2 + 0.08 * random.nextGaussian()));
            said.put(oil, number(73 + 1.05 * (WEEKS - back) + 0.7 * random.nextGaussian()));
            said.put(drain, back == 6 ? "no" : "yes");
            if (back == 6) {
                said.put(remark, "Drain blocked, cleaned on the spot.");
            }
            walk(route, at, said);
        }
    }

    /** What the loop calibrator is sent out with: measured stops, and one that is written down beside them. */
    private void loops(PlantNode utilities) {
        List<UUID> checks = new ArrayList<>();
        tree.tree().inOrder().stream()
                .filter(node -> node.level() == Level.CHECK
                        && tree.tree().path(node.id()).contains(utilities))
                .filter(node -> tree.check(node.id()).asset().tag().equals("PT-221"))
                .forEach(node -> checks.add(node.id()));
        routes.put(
                UUID.randomUUID(),
                new RouteDraft("Pressure loops, quarterly", checks, Map.of(), Map.of(), 91, null, "technician", 0));
    }

    private void walk(UUID route, Instant at, Map<UUID, String> said) {
        List<WrittenReading> readings = new ArrayList<>();
        said.forEach((check, text) -> readings.add(new WrittenReading(
                UUID.randomUUID(), check, at.plusSeconds(40L * readings.size()).toString(), text, "", List.of())));
        written.take(new WrittenRound(UUID.randomUUID(), route, readings, List.of()));
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }

    private UUID check(UUID point, String technique, String preset, Map<String, String> settings) {
        UUID id = plant.add(new NewNode(null, point, Level.CHECK, "", "", null, technique, preset))
                .node()
                .id();
        Map<String, String> own = new HashMap<>();
        settings.forEach((key, value) -> own.put(Facet.setting(technique, key), value));
        if (!own.isEmpty()) {
            plant.set(id, own);
        }
        return id;
    }
}
