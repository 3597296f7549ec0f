package rovek.server.demo;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.server.instruments.sensor.SensorDraft;
import rovek.server.instruments.sensor.Sensors;
import rovek.server.judging.limit.Limits;
import rovek.server.plant.picture.PictureView;
import rovek.server.plant.picture.Pictures;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantEditor;
import rovek.server.plant.tree.PlantEditor.NewNode;
import rovek.server.plant.tree.PlantSettings;

/** Plans the demonstration plant the way a technician would, by the same services. */
@Component
@ConditionalOnProperty("rovek.demo.panel")
class DemoPlant {

    private static final String VELOCITY = "Velocity 10–1000 Hz";
    private static final String ACCELERATION = "Acceleration 1–10 kHz";

    private final Plant tree;
    private final PlantEditor plant;
    private final PlantSettings settings;
    private final Limits limits;
    private final Sensors sensors;
    private final Pictures pictures;
    private final Clock clock;

    DemoPlant(
            Plant tree,
            PlantEditor plant,
            PlantSettings settings,
            Limits limits,
            Sensors sensors,
            Pictures pictures,
            Clock clock) {
        this.tree = tree;
        this.plant = plant;
        this.settings = settings;
        this.limits = limits;
        this.sensors = sensors;
        this.pictures = pictures;
        this.clock = clock;
    }

    private record Machine(
            String tag, String name, String assetClass, Map<String, String> nameplate, boolean limited) {}

    /** A rolling bearing by its geometry: elements, their diameter and the pitch diameter in mm. */
    private record Bearing(String name, int balls, double ballMm, double pitchMm) {}

    private static final Bearing SMALL = new Bearing("6308", 8, 15.08, 65.0);
    private static final Bearing MIDDLE = new Bearing("6309", 8, 17.46, 72.5);
    private static final Bearing LARGE = new Bearing("6310", 8, 19.05, 80.0);

    private static Map<String, String> plate(double kilowatts, int rpm, String foundation, int since, Bearing bearing) {
        return Map.of(
                "powerKw",
                String.valueOf(kilowatts),
                "speedRpm",
                String.valueOf(rpm),
                "foundation",
                foundation,
                "inServiceSince",
                String.valueOf(since),
                "bearing",
                bearing.name(),
                "bearingBalls",
                String.valueOf(bearing.balls()),
                "bearingBallMm",
                String.valueOf(bearing.ballMm()),
                "bearingPitchMm",
                String.valueOf(bearing.pitchMm()),
                "supplyHz",
                "50");
    }

    /** @return all checks in walking order */
    List<UUID> plan() {
        UUID client = add(null, Level.CLIENT, "", "Marrowdale Works");
        add(null, Level.CLIENT, "", "Lower Fell Depot");
        UUID site = add(client, Level.SITE, "", "Bottling works");
        register("ACC-1", "20417", 101.2);
        register("ACC-2", "20418", 99.6);
        settings.set(site, "vibration", Map.of("sensor", "ACC-1"));
        List<UUID> checks = new ArrayList<>();
        UUID wellfield = add(site, Level.AREA, "", "Wellfield");
        addMachine(
                wellfield,
                new Machine("P-101", "Well pump 1", "pump", plate(15.5, 1480, "rigid", 2019, MIDDLE), true),
                checks);
        addMachine(
                wellfield,
                new Machine("P-102", "Well pump 2", "pump", plate(15.5, 1480, "rigid", 2019, MIDDLE), true),
                checks);
        addMachine(
                wellfield,
                new Machine("P-103", "Well pump 3", "pump", plate(11, 1470, "rigid", 2021, SMALL), true),
                checks);
        UUID treatment = add(site, Level.AREA, "", "Water treatment");
        addMachine(
                treatment,
                new Machine("B-201", "Booster pump 1", "pump", plate(22, 2950, "rigid", 2018, LARGE), true),
                checks);
        addMachine(
                treatment,
                new Machine("B-202", "Booster pump 2", "pump", plate(22, 2950, "rigid", 2018, LARGE), true),
                checks);
        addMachine(
                treatment,
                new Machine("F-210", "Aerator fan", "fan", plate(18.5, 980, "flexible", 2022, MIDDLE), false),
                checks);
        return checks;
    }

    /** What the other instruments are for. */
    void planUtilities() {
        UUID site = tree.tree().inOrder().stream()
                .filter(node -> node.level() == Level.SITE)
                .findFirst()
                .orElseThrow()
                .id();
        UUID utilities = add(site, Level.AREA, "", "Utilities");
        addPoint(utilities, "BAT-1", "Battery string", "String", Map.of("battery", "Cells of the string"));
        addPoint(utilities, "CA-1", "Air main", "Compressor room", Map.of("leak", "Air leak"));
        addPoint(
                utilities,
                "PT-221",
                "Outlet pressure transmitter",
                "Loop",
                Map.of("loop", "Loop calibration", "sheet", "Parameter sheet", "gauge", "Pressure"));
        UUID reservoir = addPoint(utilities, "R-1", "Reservoir", "Logger", Map.of("run", "Run"));
        settings.set(reservoir, "run", Map.of("channelLimits", "Reservoir level: 2.0..4.7; Water temperature: ..22.6"));
        limits.say(reservoir, "run", "run.outside", Limits.Saying.above(60.0, 240.0));
    }

    /** @return the point */
    private UUID addPoint(UUID area, String tag, String name, String point, Map<String, String> checks) {
        UUID at = add(add(area, Level.ASSET, tag, name), Level.POINT, "", point);
        new TreeMap<>(checks)
                .forEach((technique, preset) ->
                        plant.add(new NewNode(null, at, Level.CHECK, "", "", null, technique, preset)));
        return at;
    }

    private void register(String tag, String serial, double sensitivity) {
        LocalDate calibrated = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC)
                .minusMonths(14)
                .withDayOfMonth(3);
        sensors.put(
                UUID.randomUUID(),
                new SensorDraft(tag, "vibration", serial, sensitivity, -50.0, 50.0, calibrated, 24, null, false, 0));
    }

    private void addMachine(UUID area, Machine machine, List<UUID> checks) {
        UUID asset = add(area, Level.ASSET, machine.tag(), machine.name());
        Map<String, String> facets = new HashMap<>(Map.of(Facet.CLASS, machine.assetClass()));
        machine.nameplate().forEach((key, value) -> facets.put(Facet.nameplate(key), value));
        plant.set(asset, facets);
        List<PictureView.Spot> spots = new ArrayList<>();
        for (String point : List.of("Drive end", "Non-drive end")) {
            UUID pointId = add(asset, Level.POINT, "", point);
            double x = point.equals("Drive end") ? DemoPicture.DRIVE_END_X : DemoPicture.NON_DRIVE_END_X;
            spots.add(new PictureView.Spot(pointId, x, DemoPicture.SHAFT_Y));
            UUID velocity = addCheck(pointId, VELOCITY);
            UUID acceleration = addCheck(pointId, ACCELERATION);
            double shaftHz = Double.parseDouble(machine.nameplate().get("speedRpm")) / 60;
            settings.set(velocity, "vibration", Map.of("bandsHz", bands(shaftHz)));
            if (machine.limited()) {
                // As ISO 20816-3 has it for group 2 on rigid support.
                limits.say(velocity, "vibration", "velocity.rms", Limits.Saying.above(2.8, 4.5));
                limits.say(acceleration, "vibration", "acceleration.rms", Limits.Saying.above(4.0, 8.0));
            }
            checks.add(velocity);
            checks.add(acceleration);
        }
        PictureView picture = pictures.add(UUID.randomUUID(), asset, "Side view", DemoPicture.machine());
        pictures.change(picture.id(), new Pictures.PictureDraft(picture.title(), spots, picture.version()));
    }

    /** Where shaft speed and twice that are, whatever the load. */
    private static String bands(double shaftHz) {
        return String.format(
                Locale.ROOT,
                "running speed: %.0f..%.0f; twice running speed: %.0f..%.0f",
                0.8 * shaftHz,
                1.2 * shaftHz,
                1.8 * shaftHz,
                2.2 * shaftHz);
    }

    UUID add(UUID parent, Level level, String tag, String name) {
        return plant.add(new NewNode(null, parent, level, tag, name, null, null, null))
                .node()
                .id();
    }

    private UUID addCheck(UUID point, String preset) {
        return plant.add(new NewNode(null, point, Level.CHECK, "", "", null, "vibration", preset))
                .node()
                .id();
    }
}
