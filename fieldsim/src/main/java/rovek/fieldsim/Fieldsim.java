package rovek.fieldsim;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/** A stand-in handheld with its port, its panel and the plant it touches. Close it to switch it off. */
public final class Fieldsim implements AutoCloseable {

    private static final long SEED = 20816;
    private static final String START_FILE = "state/plant-start.txt";

    private final HandheldServer server;
    private final Panel panel;

    private Fieldsim(HandheldServer server, Panel panel) {
        this.server = server;
        this.panel = panel;
    }

    /**
     * Switches a handheld on.
     *
     * @param memoryFolder where it keeps its memory; what lies there is what it knows
     * @param instrumentPort 0 for any that is free; likewise the panel's
     */
    public static Fieldsim start(Path memoryFolder, int instrumentPort, int panelPort, Clock realTime) {
        return start(Kind.VIBRATION, "", memoryFolder, instrumentPort, panelPort, realTime);
    }

    /** What a stand-in stands in for. */
    public enum Kind {
        VIBRATION,
        LOGGER,
        LOOP,
        CELLS,
        LEAK;

        private HandheldModel model(LocalDate today) {
            return switch (this) {
                case VIBRATION -> HandheldModel.vibration(today);
                case LOGGER -> HandheldModel.logger(today);
                case LOOP -> HandheldModel.loop(today);
                case CELLS -> HandheldModel.cells(today);
                case LEAK -> HandheldModel.leak(today);
            };
        }
    }

    /** @param serial blank for the usual one of its kind */
    public static Fieldsim start(Kind kind, String serial, Path memoryFolder, int instrumentPort, int panelPort, Clock realTime) {
        HandheldModel usual = kind.model(LocalDate.ofInstant(realTime.instant(), ZoneOffset.UTC));
        HandheldModel model = serial.isBlank() ? usual : usual.withSerial(serial);
        HandheldMemory memory = new HandheldMemory(memoryFolder, model.memoryBytes());
        Faults faults = new Faults();
        SimulatedPlant plant = new SimulatedPlant(plantStart(memory, realTime), SEED);
        Handheld handheld = new Handheld(model, memory, new SimulatedClock(realTime), new PlantSensing(plant), faults);
        return new Fieldsim(new HandheldServer(handheld, faults, instrumentPort), new Panel(handheld, faults, panelPort));
    }

    /** The machines' wear begins a year before the stand-in is first switched on, and never anew. */
    private static Instant plantStart(HandheldMemory memory, Clock realTime) {
        if (memory.read(START_FILE).isEmpty()) {
            memory.write(START_FILE, realTime.instant().minus(Duration.ofDays(365)).toString().getBytes());
        }
        return Instant.parse(new String(memory.read(START_FILE).orElseThrow()));
    }

    public int instrumentPort() {
        return server.port();
    }

    public int panelPort() {
        return panel.port();
    }

    @Override
    public void close() {
        server.close();
        panel.close();
    }

    public static void main(String[] args) throws InterruptedException {
        Map<String, String> options = new HashMap<>();
        for (String arg : args) {
            String[] parts = arg.replaceFirst("^--", "").split("=", 2);
            options.put(parts[0], parts.length > 1 ? parts[1] : "");
        }
        if (!options.containsKey("memory")) {
            System.err.println("Usage: fieldsim --memory=FOLDER [--kind=vibration|logger|loop|cells|leak] [--serial=NUMBER] [--instrument-port=N] [--panel-port=N]");
            System.exit(2);
        }
        Fieldsim fieldsim = start(
                Kind.valueOf(options.getOrDefault("kind", "vibration").toUpperCase(Locale.ROOT)),
                options.getOrDefault("serial", ""),
                Path.of(options.get("memory")),
                Integer.parseInt(options.getOrDefault("instrument-port", "0")),
                Integer.parseInt(options.getOrDefault("panel-port", "0")),
                Clock.systemUTC());
        System.out.println("instrument " + fieldsim.instrumentPort() + " panel " + fieldsim.panelPort());
        Thread.currentThread().join();
    }
}
