package rovek.server.demo;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import rovek.core.live.Register;
import rovek.core.route.LoadGate;
import rovek.core.setup.RegisterSetup;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;
import rovek.server.instruments.instrument.Connections;
import rovek.server.instruments.instrument.Connections.ConnectionDraft;
import rovek.server.instruments.instrument.Reach;
import rovek.server.instruments.setup.Setups;
import rovek.server.intake.live.LiveTarget;
import rovek.server.intake.live.LiveWatch;
import rovek.server.intake.transfer.ConnectionView;
import rovek.server.intake.transfer.Loading;
import rovek.server.intake.transfer.ReadBack;
import rovek.server.intake.transfer.Transfers;
import rovek.server.rounds.correction.ReadingCorrections;
import rovek.server.rounds.correction.ReadingCorrections.PlacementOf;
import rovek.server.rounds.visit.VisitHistory;
import rovek.server.rounds.visit.Visits;

/**
 * The stand-ins beside the vibration handheld: connected in their several ways, a reading each quarter, and a fresh one
 * that waits.
 */
@Component
@ConditionalOnProperty("rovek.demo.panel")
class DemoInstruments {

    private static final int QUARTERS = 4;
    private static final Duration A_QUARTER = Duration.ofDays(91);
    private static final Duration SHOWN_AFTER = Duration.ofMillis(500);

    private final Connections connections;
    private final ReadBack readBack;
    private final Transfers transfers;
    private final Visits visits;
    private final VisitHistory history;
    private final ReadingCorrections readings;
    private final Clock clock;
    private final Setups setups;
    private final Loading loading;
    private final DemoJobs jobs;
    private final LiveWatch live;
    private final List<Other> others;
    private final int transmitterPort;

    /**
     * @param others each {@code name;kind;place;number;panel;technique;tag;point}
     * @param transmitterPort 0 where there is none
     */
    DemoInstruments(
            Connections connections,
            ReadBack readBack,
            Transfers transfers,
            Visits visits,
            VisitHistory history,
            ReadingCorrections readings,
            Clock clock,
            Setups setups,
            Loading loading,
            DemoJobs jobs,
            LiveWatch live,
            @Value("${rovek.demo.others:}") List<String> others,
            @Value("${rovek.demo.transmitter-port:0}") int transmitterPort) {
        this.connections = connections;
        this.readBack = readBack;
        this.transfers = transfers;
        this.visits = visits;
        this.history = history;
        this.readings = readings;
        this.clock = clock;
        this.setups = setups;
        this.loading = loading;
        this.jobs = jobs;
        this.live = live;
        this.transmitterPort = transmitterPort;
        this.others = others.stream().map(Other::of).toList();
    }

    private record Other(String name, Reach reach, String panel, String technique, String tag, String point) {

        static Other of(String words) {
            String[] word = words.split(";");
            return new Other(
                    word[0],
                    new Reach(Reach.Kind.valueOf(word[1]), word[2], Integer.parseInt(word[3])),
                    word[4],
                    word[5],
                    word[6],
                    word[7]);
        }

        ConnectionDraft draft(String passCode) {
            return switch (reach.kind()) {
                case NETWORK -> ConnectionDraft.network(name, reach.place(), reach.number(), passCode);
                case LINE -> ConnectionDraft.line(name, reach.place(), reach.number(), passCode);
                case FOLDER -> ConnectionDraft.folder(name, reach.place());
            };
        }
    }

    boolean areThere() {
        return !others.isEmpty();
    }

    /** Puts them on the shelf. */
    void connect(String passCode) {
        others.forEach(other -> connections.connect(other.draft(passCode)));
    }

    /** The transmitter on the booster outlet: which of its registers hold what, and what it must keep to. */
    void readTransmitter() {
        if (transmitterPort == 0) {
            return;
        }
        UUID setup = UUID.randomUUID();
        setups.put(
                setup,
                new Setups.SetupDraft(
                        "Booster outlet",
                        RegisterSetup.ID,
                        Map.of("host", "127.0.0.1", "port", String.valueOf(transmitterPort)),
                        List.of(
                                Map.of("name", "Outlet pressure", "quantityUnit", "bar", "address", "0"),
                                Map.of(
                                        "name",
                                        "Water temperature",
                                        "quantityUnit",
                                        "°C",
                                        "address",
                                        "2",
                                        "form",
                                        Register.Form.INT16.word(),
                                        "scale",
                                        "0.1")),
                        0));
        live.limit(new LiveTarget(LiveTarget.Kind.SETUP, setup), "Outlet pressure", 5.8, 6.6);
    }

    /**
     * Measures at past dates, reads back, and places what is certain.
     *
     * @param loggerSetup what the logger records
     */
    void live(String passCode, UUID loggerSetup) throws LinkException, PackageException, InterruptedException {
        for (Other other : others) {
            UUID instrument = connections.connect(other.draft(passCode)).id();
            if (other.technique().equals("run")) {
                jobs.await(loading.loadSetup(
                        instrument, loggerSetup, Set.of(LoadGate.Kind.CLOCK, LoadGate.Kind.CALIBRATION)));
            }
            DemoPanel panel = new DemoPanel(other.panel());
            for (int back = QUARTERS; back > 0; back--) {
                panel.moveTimeTo(
                        clock.instant().minus(A_QUARTER.multipliedBy(back)).plus(Duration.ofDays(60)));
                panel.takeLooseReading(other.technique(), other.tag(), other.point());
                takeBack(instrument);
            }
            panel.backToRealTime();
            panel.takeLooseReading(other.technique(), other.tag(), other.point());
        }
    }

    private void takeBack(UUID instrument) throws LinkException, PackageException, InterruptedException {
        // A drive shows a new file a moment later.
        for (Instant until = Instant.now().plus(SHOWN_AFTER.multipliedBy(10));
                transfers.look(instrument).files().isEmpty() && Instant.now().isBefore(until); ) {
            Thread.sleep(SHOWN_AFTER.toMillis());
        }
        readBack.run(instrument, List.of(), false, new DemoStory.Silent());
        transfers.clear(
                instrument,
                transfers.look(instrument).files().stream()
                        .filter(file -> file.state().equals("STORED"))
                        .map(ConnectionView.MemoryLine::name)
                        .toList());
        List<PlacementOf> placements = new ArrayList<>();
        for (VisitHistory.VisitLine visit : history.list()) {
            if (visit.loose() > 0) {
                visits.sheet(visit.id()).tray().stream()
                        .filter(loose -> !loose.proposals().isEmpty()
                                && !loose.technique().equals("vibration"))
                        .forEach(loose -> placements.add(new PlacementOf(
                                loose.id(), loose.proposals().get(0).checkId())));
            }
        }
        if (!placements.isEmpty()) {
            readings.place(placements);
        }
    }
}
