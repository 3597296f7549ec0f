package rovek.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import rovek.core.plant.Level;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Sentence;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.server.RovekApplication;
import rovek.server.base.job.JobProgress;
import rovek.server.base.job.JobView;
import rovek.server.base.job.Jobs;
import rovek.server.base.problem.DomainProblem;
import rovek.server.instruments.instrument.Connections;
import rovek.server.intake.transfer.Loading;
import rovek.server.intake.transfer.ReadBack;
import rovek.server.intake.transfer.Transfers;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantEditor;
import rovek.server.plant.tree.PlantEditor.NewNode;
import rovek.server.plant.tree.PlantSettings;
import rovek.server.rounds.route.RouteDraft;
import rovek.server.rounds.route.Routes;

/**
 * Reading a package back over the link, digests, analysis, audit and all, beside the least that has to be done: a COPY
 * of the very rows that came of it into tables without keys, references and triggers, and the bare analysis of the same
 * waveforms. The stand-in is a process of its own: its memory and its work are not the server's.
 */
final class ReadBackBench {

    /** What is read back. */
    enum Load {
        /** A walk of short waveforms. */
        WALK("1,000 waveforms of 4,096 samples", 1_000),
        /** Nothing but numbers. */
        NUMBERS("100,000 numbers", 1_000),
        /** Long waveforms. */
        WAVEFORMS("2,000 waveforms of 16,384 samples", 1_000);

        private final String said;
        private final int checks;

        Load(String said, int checks) {
            this.said = said;
            this.checks = checks;
        }

        String said() {
            return said;
        }
    }

    private static final int NUMBERS_A_CHECK = 100;
    private static final int WAVEFORMS_A_CHECK = 2;
    private static final int SAMPLES = 16_384;
    private static final int POINTS_AN_ASSET = 20;
    private static final int MOST_LOOKS = 10;
    private static final int WALK_SAMPLES = 4_096;
    private static final double RATE_HZ = 25_600;

    private final String server = System.getenv("ROVEK_TEST_DB");
    private final String password = System.getenv("ROVEK_TEST_DB_PASSWORD");

    /**
     * Times in seconds.
     *
     * @param copySeconds of the rows into bare tables
     * @param indexedSeconds of the rows into the tables that they are in, emptied
     * @param analysisSeconds of the waveforms, on all cores
     * @param idleMegabytes of heap that the server needs when nothing goes on
     * @param liveMegabytes of heap that was in use after a collection at most
     */
    record Outcome(
            double readBackSeconds,
            double processorSeconds,
            double copySeconds,
            double indexedSeconds,
            double analysisSeconds,
            long idleMegabytes,
            long liveMegabytes) {

        double least() {
            return copySeconds + analysisSeconds;
        }
    }

    private final Load load;

    ReadBackBench(Load load) {
        this.load = load;
    }

    Outcome run() throws Exception {
        String database = "b_" + UUID.randomUUID().toString().replace("-", "");
        execute("postgres", "CREATE DATABASE " + database);
        Path memory = Files.createTempDirectory("rovek-bench");
        try (StandInProcess standIn = StandInProcess.start(memory);
                ConfigurableApplicationContext context = start(database)) {
            return measured(context, standIn, memory, database);
        } finally {
            execute("postgres", "DROP DATABASE " + database + " WITH (FORCE)");
        }
    }

    private ConfigurableApplicationContext start(String database) {
        return SpringApplication.run(
                RovekApplication.class,
                "--server.port=0",
                "--spring.main.banner-mode=off",
                "--rovek.networks=127.0.0.0/8 1-65535",
                "--rovek.secret-key=" + java.util.Base64.getEncoder().encodeToString(new byte[32]),
                "--logging.level.rovek=warn",
                "--spring.datasource.url=jdbc:postgresql://" + server + "/" + database,
                "--spring.datasource.username=rovek",
                "--spring.datasource.password=" + password);
    }

    private Outcome measured(
            ConfigurableApplicationContext context, StandInProcess standIn, Path memory, String database)
            throws Exception {
        List<UUID> checks = plan(context);
        UUID instrument = context.getBean(Connections.class)
                .connect(Connections.ConnectionDraft.network("Handheld", "127.0.0.1", standIn.instrumentPort(), "4711"))
                .id();
        if (load == Load.WALK) {
            UUID route = UUID.randomUUID();
            context.getBean(Routes.class).put(route, new RouteDraft("Long walk", checks, 0));
            await(context, context.getBean(Loading.class).loadRoute(instrument, route, Set.of()));
            walk(standIn.panelPort());
        } else {
            Files.createDirectories(memory.resolve("RESULTS"));
            Files.write(memory.resolve("RESULTS/W9001.zip"), packed(checks));
        }
        // Looking once packs the walk on the stand-in, which is its work and not the read-back's.
        looked(context.getBean(Transfers.class), instrument);
        PeakHeap heap = new PeakHeap();
        heap.begin();
        long processorBegun = processorNanos();
        long begun = System.nanoTime();
        context.getBean(ReadBack.class).run(instrument, List.of(), false, new Silent());
        double seconds = (System.nanoTime() - begun) / 1e9;
        double processor = (processorNanos() - processorBegun) / 1e9;
        heap.end();
        BareCopy copy = new BareCopy(() -> connect(database));
        Map<String, byte[]> rows = copy.rows();
        return new Outcome(
                seconds,
                processor,
                copy.intoBareTables(rows),
                copy.intoTheSameTables(rows),
                load == Load.NUMBERS ? 0 : analysis(context.getBean(Plant.class).check(checks.get(0))),
                heap.idleMegabytes(),
                heap.megabytes());
    }

    private static void looked(Transfers transfers, UUID instrument) {
        for (int look = 1; ; look++) {
            try {
                transfers.look(instrument);
                return;
            } catch (DomainProblem.LinkTrouble stillPacking) {
                if (look == MOST_LOOKS) {
                    throw stillPacking;
                }
            }
        }
    }

    private static long processorNanos() {
        return ((com.sun.management.OperatingSystemMXBean)
                        java.lang.management.ManagementFactory.getOperatingSystemMXBean())
                .getProcessCpuTime();
    }

    /** The same number of waveforms of the same length, analysed as the check is set, and nothing else. */
    private double analysis(CheckView check) {
        int count = load == Load.WALK ? load.checks : load.checks * WAVEFORMS_A_CHECK;
        PackedCapture waveform = waveform(new Random(1), load == Load.WALK ? WALK_SAMPLES : SAMPLES);
        long begun = System.nanoTime();
        IntStream.range(0, count)
                .parallel()
                .forEach(i -> check.technique().analyse(waveform.toCapture(), check.settings()));
        return (System.nanoTime() - begun) / 1e9;
    }

    /** What an instrument would have packed. */
    private byte[] packed(List<UUID> checks) {
        Maker maker = new Maker("Fieldsim", Optional.of(new Maker.MakingInstrument("VH-2", "30417", "2.4.1")));
        Random random = new Random(1);
        List<PackedReading> readings = new ArrayList<>();
        int each = load == Load.NUMBERS ? NUMBERS_A_CHECK : WAVEFORMS_A_CHECK;
        Instant first = Instant.parse("2026-01-01T00:00:00Z");
        for (UUID check : checks) {
            for (int i = 0; i < each; i++) {
                readings.add(new PackedReading(
                        "r" + readings.size(),
                        first.plusSeconds(60L * readings.size()),
                        load == Load.NUMBERS ? "gauge" : "vibration",
                        Optional.of(check),
                        "",
                        "",
                        Optional.empty(),
                        Map.of(),
                        capture(random)));
            }
        }
        return ReadingsPackage.pack(first, maker, Optional.empty(), readings);
    }

    private PackedCapture capture(Random random) {
        if (load == Load.NUMBERS) {
            return new PackedCapture.Plain(new ValueCapture(new Amount(5 + random.nextGaussian(), UnitCatalogue.BAR)));
        }
        return waveform(random, SAMPLES);
    }

    private static PackedCapture waveform(Random random, int count) {
        float[] samples = new float[count];
        for (int i = 0; i < count; i++) {
            samples[i] = (float) (0.05 * Math.sin(i * 0.006) + 0.01 * random.nextGaussian());
        }
        return new PackedReading.Waveform(
                samples, RATE_HZ, UnitCatalogue.VOLT, 1, OptionalDouble.of(100), OptionalDouble.empty());
    }

    private List<UUID> plan(ConfigurableApplicationContext context) {
        PlantEditor plant = context.getBean(PlantEditor.class);
        UUID client = add(plant, null, Level.CLIENT, "Bench", null);
        if (load == Load.WALK) {
            context.getBean(PlantSettings.class).set(client, "vibration", Map.of("lines", "1600", "rateHz", "5120"));
        }
        UUID area = add(plant, add(plant, client, Level.SITE, "Works", null), Level.AREA, "Hall", null);
        List<UUID> checks = new ArrayList<>();
        while (checks.size() < load.checks) {
            UUID asset = add(plant, area, Level.ASSET, "Machine " + checks.size(), null);
            for (int point = 0; point < POINTS_AN_ASSET; point++) {
                checks.add(add(
                        plant,
                        add(plant, asset, Level.POINT, "Point " + point, null),
                        Level.CHECK,
                        "",
                        load == Load.NUMBERS ? "Pressure" : "Velocity 10–1000 Hz"));
            }
        }
        return checks;
    }

    private static UUID add(PlantEditor plant, UUID parent, Level level, String name, String preset) {
        String technique = preset == null ? null : preset.equals("Pressure") ? "gauge" : "vibration";
        return plant.add(new NewNode(null, parent, level, "", name, null, technique, preset))
                .node()
                .id();
    }

    private static void await(ConfigurableApplicationContext context, JobView job) throws InterruptedException {
        Jobs jobs = context.getBean(Jobs.class);
        JobView now = job;
        while (now.state() == JobView.State.RUNNING) {
            Thread.sleep(50);
            now = jobs.get(job.id());
        }
        if (now.state() != JobView.State.DONE) {
            throw new IllegalStateException(now.sentence().toString());
        }
    }

    private static void walk(int panelPort) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + panelPort + "/api/walk-all"))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString("{}"))
                .build();
        HttpResponse<String> answer = HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(answer.body());
        }
    }

    private Connection connect(String database) throws SQLException {
        return DriverManager.getConnection("jdbc:postgresql://" + server + "/" + database, "rovek", password);
    }

    private void execute(String database, String sql) throws SQLException {
        try (Connection connection = connect(database);
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    private static final class Silent implements JobProgress {
        @Override
        public void report(long done, long total, Sentence sentence) {
            // only the time matters here
        }

        @Override
        public boolean isStopRequested() {
            return false;
        }
    }
}
