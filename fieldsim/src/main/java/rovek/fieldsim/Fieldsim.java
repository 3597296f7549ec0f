package rovek.fieldsim;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A stand-in handheld with its port, its panel and the plant it touches. Close it to switch it off. */
public final class Fieldsim implements AutoCloseable {

    private static final long SEED = 20816;
    /** A transmitter has neither memory nor panel. */
    private static final String TRANSMITTER = "kind=transmitter;instrument-port=";

    private static final String START_FILE = "state/plant-start.txt";

    private final HandheldServer server;
    private final Panel panel;

    private final List<AutoCloseable> plugs;

    private Fieldsim(HandheldServer server, Panel panel, List<AutoCloseable> plugs) {
        this.server = server;
        this.panel = panel;
        this.plugs = List.copyOf(plugs);
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
    public static Fieldsim start(
            Kind kind, String serial, Path memoryFolder, int instrumentPort, int panelPort, Clock realTime) {
        return start(
                new StandIn(kind, serial, memoryFolder, instrumentPort, panelPort, Optional.empty(), Optional.empty()),
                realTime);
    }

    public static Fieldsim start(StandIn standIn, Clock realTime) {
        HandheldModel usual = standIn.kind().model(LocalDate.ofInstant(realTime.instant(), ZoneOffset.UTC));
        HandheldModel model = usual.named(
                standIn.maker().isBlank() ? usual.maker() : standIn.maker(),
                standIn.serial().isBlank() ? usual.serial() : standIn.serial());
        HandheldMemory memory = new HandheldMemory(standIn.memory(), model.memoryBytes());
        Faults faults = new Faults();
        SimulatedPlant plant = new SimulatedPlant(plantStart(memory, realTime), SEED);
        Handheld handheld = new Handheld(model, memory, new SimulatedClock(realTime), new PlantSensing(plant), faults);
        List<AutoCloseable> plugs = new ArrayList<>();
        standIn.line().ifPresent(line -> plugs.addAll(serialLine(line, handheld, faults)));
        standIn.drive().ifPresent(drive -> plugs.add(new DriveShare(handheld, drive)));
        plugs.add(handheld.run());
        return new Fieldsim(
                new HandheldServer(handheld, faults, standIn.instrumentPort()),
                new Panel(handheld, faults, standIn.panelPort()),
                plugs);
    }

    private static List<AutoCloseable> serialLine(Path near, Handheld handheld, Faults faults) {
        try {
            PtyPair pair = PtyPair.start(near);
            return List.of(new SerialPlug(handheld, faults, pair.far()), pair);
        } catch (IOException e) {
            throw new UncheckedIOException("The line " + near + " cannot be opened.", e);
        }
    }

    /** The machines' wear begins a year before the stand-in is first switched on, and never again. */
    private static Instant plantStart(HandheldMemory memory, Clock realTime) {
        if (memory.read(START_FILE).isEmpty()) {
            memory.write(
                    START_FILE,
                    realTime.instant().minus(Duration.ofDays(365)).toString().getBytes());
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
        for (AutoCloseable plug : plugs) {
            try {
                plug.close();
            } catch (Exception e) {
                throw new IllegalStateException("A plug could not be pulled.", e);
            }
        }
    }

    /**
     * Each argument is one stand-in:
     * {@code kind=vibration;memory=FOLDER;instrument-port=N;panel-port=N;maker=NAME;serial=NUMBER;line=PATH;drive=FOLDER}.
     */
    public static void main(String[] args) throws InterruptedException {
        if (args.length == 0) {
            System.err.println(
                    "Usage: fieldsim 'kind=vibration|logger|loop|cells|leak;memory=FOLDER[;instrument-port=N][;panel-port=N]"
                            + "[;maker=NAME][;serial=NUMBER][;line=PATH][;drive=FOLDER]' | 'kind=transmitter;instrument-port=N' ...");
            System.exit(2);
        }
        for (String words : args) {
            if (words.startsWith(TRANSMITTER)) {
                Transmitter.start(Integer.parseInt(words.substring(TRANSMITTER.length())), Clock.systemUTC());
                System.out.println("TRANSMITTER " + words.substring(TRANSMITTER.length()));
                continue;
            }
            StandIn standIn = StandIn.parse(words);
            Fieldsim fieldsim = start(standIn, Clock.systemUTC());
            System.out.println(
                    standIn.kind() + " instrument " + fieldsim.instrumentPort() + " panel " + fieldsim.panelPort());
        }
        Thread.currentThread().join();
    }
}
