package rovek.server.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.server.limit.Limits;
import rovek.server.plant.PlantEditor;
import rovek.server.plant.PlantEditor.NewNode;
import rovek.server.plant.PlantSettings;

/** Plans the demonstration plant the way a technician would, by the same services. */
@Component
@ConditionalOnProperty("rovek.demo.panel")
class DemoPlant {

    private static final String VELOCITY = "Velocity 10–1000 Hz";
    private static final String ACCELERATION = "Acceleration 1–10 kHz";

    private final PlantEditor plant;
    private final PlantSettings settings;
    private final Limits limits;

    DemoPlant(PlantEditor plant, PlantSettings settings, Limits limits) {
        this.plant = plant;
        this.settings = settings;
        this.limits = limits;
    }

    private record Machine(String tag, String name, String nameplate, boolean limited) {}

    /** @return all checks in walking order */
    List<UUID> plan() {
        UUID client = add(null, Level.CLIENT, "", "Marrowdale Works");
        add(null, Level.CLIENT, "", "Lower Fell Depot");
        UUID site = add(client, Level.SITE, "", "Bottling works");
        settings.set(site, "vibration", Map.of("sensitivityMvPerG", "100"));
        List<UUID> checks = new ArrayList<>();
        UUID wellfield = add(site, Level.AREA, "", "Wellfield");
        addMachine(wellfield, new Machine("P-101", "Well pump 1", "15 kW, 1480 rpm, rigid, 6309 bearings, in service since 2019", true), checks);
        addMachine(wellfield, new Machine("P-102", "Well pump 2", "15 kW, 1480 rpm, rigid, 6309 bearings, in service since 2019", true), checks);
        addMachine(wellfield, new Machine("P-103", "Well pump 3", "11 kW, 1470 rpm, rigid, 6308 bearings, in service since 2021", true), checks);
        UUID treatment = add(site, Level.AREA, "", "Water treatment");
        addMachine(treatment, new Machine("B-201", "Booster pump 1", "22 kW, 2950 rpm, rigid, 6310 bearings, in service since 2018", true), checks);
        addMachine(treatment, new Machine("B-202", "Booster pump 2", "22 kW, 2950 rpm, rigid, 6310 bearings, in service since 2018", true), checks);
        addMachine(treatment, new Machine("F-210", "Aerator fan", "5.5 kW, 980 rpm, on springs, in service since 2022", false), checks);
        return checks;
    }

    private void addMachine(UUID area, Machine machine, List<UUID> checks) {
        UUID asset = add(area, Level.ASSET, machine.tag(), machine.name());
        plant.set(asset, Map.of(Facet.nameplate("note"), machine.nameplate()));
        for (String point : List.of("Drive end", "Non-drive end")) {
            UUID pointId = add(asset, Level.POINT, "", point);
            UUID velocity = addCheck(pointId, VELOCITY);
            UUID acceleration = addCheck(pointId, ACCELERATION);
            if (machine.limited()) {
                // ISO 20816-3, group 2 on rigid support: zones B/C and C/D, velocity RMS.
                limits.set(velocity, "velocity.rms", new Limits.NewLimit(2.8, 4.5));
                limits.set(acceleration, "acceleration.rms", new Limits.NewLimit(4.0, 8.0));
            }
            checks.add(velocity);
            checks.add(acceleration);
        }
    }

    private UUID add(UUID parent, Level level, String tag, String name) {
        return plant.add(new NewNode(null, parent, level, tag, name, null, null, null)).node().id();
    }

    private UUID addCheck(UUID point, String preset) {
        return plant.add(new NewNode(null, point, Level.CHECK, "", "", null, "vibration", preset)).node().id();
    }
}
