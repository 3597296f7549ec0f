package rovek.fieldsim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rovek.core.technique.vibration.Vibration;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.LinkException;
import rovek.link.MemoryCatalogue;
import rovek.link.Sha256;
import rovek.link.TcpTransport;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.Walk.Progress;

/** The link spoken with a real stand-in over a real socket, faults included. */
class HandheldLinkTest {

    private static final Instant NOW = Instant.parse("2026-11-23T09:00:00Z");
    private static final String ROUTE_FILE = "ROUTES/ROUTE.zip";
    private final UUID first = UUID.randomUUID();
    private final UUID second = UUID.randomUUID();
    private final Map<String, String> settings = new Vibration().defaults();

    @TempDir
    Path memory;

    private Fieldsim fieldsim;

    @BeforeEach
    void switchOn() {
        fieldsim = Fieldsim.start(memory, 0, 0, Clock.fixed(NOW, ZoneOffset.UTC));
    }

    @AfterEach
    void switchOff() {
        fieldsim.close();
    }

    private Instrument connect() throws LinkException {
        return Instrument.connect(
                new TcpTransport("127.0.0.1", fieldsim.instrumentPort()), Optional.of("4711"), Duration.ofSeconds(2));
    }

    private void panel(String path, String body) {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + fieldsim.panelPort() + path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        try {
            assertThat(HttpClient.newHttpClient()
                            .send(request, HttpResponse.BodyHandlers.ofString())
                            .statusCode())
                    .isEqualTo(200);
        } catch (IOException | InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    private byte[] route() {
        return new RoutePackage(
                        UUID.randomUUID(),
                        "Wellfield",
                        NOW,
                        List.of(
                                new RoutePackage.RouteStop(
                                        first, "P-101", "Well pump 1", "Drive end", "Velocity", "vibration", settings),
                                new RoutePackage.RouteStop(
                                        second,
                                        "P-102",
                                        "Well pump 2",
                                        "Drive end",
                                        "Velocity",
                                        "vibration",
                                        settings)))
                .pack();
    }

    private static byte[] readAll(Instrument instrument, InstrumentFile file, int piece) throws LinkException {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        while (all.size() < file.bytes()) {
            all.writeBytes(instrument.slice(file.name(), all.size(), piece));
        }
        return all.toByteArray();
    }

    private static InstrumentFile results(MemoryCatalogue catalogue) {
        return catalogue.files().stream()
                .filter(file -> file.type().equals("READINGS"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void tellsWhoItIs() throws LinkException {
        try (Instrument instrument = connect()) {
            var identity = instrument.identity();
            assertThat(identity.model()).isEqualTo("VH-2");
            assertThat(identity.serial()).isEqualTo("30417");
            assertThat(identity.options()).containsKey("vibration");
            assertThat(identity.calibratedUntil())
                    .hasValueSatisfying(day -> assertThat(day).isAfter("2026-11-23"));
            assertThat(instrument.batteryPercent()).hasValue(81);
        }
    }

    @Test
    void refusesEverythingBeforeThePassCode() {
        var withoutCode = new TcpTransport("127.0.0.1", fieldsim.instrumentPort());
        assertThatThrownBy(
                        () -> Instrument.connect(withoutCode, Optional.empty()).identity())
                .isInstanceOf(LinkException.PassCodeWanted.class);
        var wrongCode = new TcpTransport("127.0.0.1", fieldsim.instrumentPort());
        assertThatThrownBy(() -> Instrument.connect(wrongCode, Optional.of("1234")))
                .isInstanceOf(LinkException.PassCodeWanted.class);
    }

    @Test
    void aWrongClockShowsAndCanBeSet() throws LinkException {
        panel("/api/clock-error", "{\"seconds\":-420}");
        try (Instrument instrument = connect()) {
            assertThat(instrument.clock()).contains(NOW.minusSeconds(420));
            instrument.setClock(NOW);
            assertThat(instrument.clock()).contains(NOW);
        }
    }

    @Test
    void aRouteIsLoadedWalkedAndReadBack() throws Exception {
        byte[] route = route();
        try (Instrument instrument = connect()) {
            instrument.write(ROUTE_FILE, route);
            assertThat(instrument.digest(ROUTE_FILE)).isEqualTo(Sha256.of(route));
            panel("/api/stops/" + first + "/measure", "{}");
            panel("/api/stops/" + first + "/measure", "{}");
            panel("/api/stops/" + second + "/skip", "{\"note\":\"stood still\"}");
            InstrumentFile file = results(instrument.catalogue());
            byte[] packed = readAll(instrument, file, 10_000);
            assertThat(Sha256.of(packed)).isEqualTo(instrument.digest(file.name()));
            ReadingsPackage readings = ReadingsPackage.unpack(packed);
            assertThat(readings.readings()).hasSize(2);
            assertThat(readings.readings().get(1).reading().replaces())
                    .contains(readings.readings().get(0).reading().id());
            assertThat(readings.walk().orElseThrow().stops())
                    .extracting(stop -> stop.progress())
                    .containsExactly(Progress.DONE, Progress.SKIPPED);
        }
    }

    @Test
    void memorySurvivesBeingSwitchedOff() throws Exception {
        try (Instrument instrument = connect()) {
            instrument.write(ROUTE_FILE, route());
        }
        panel("/api/walk-all", "{}");
        fieldsim.close();
        switchOn();
        try (Instrument instrument = connect()) {
            assertThat(ReadingsPackage.unpack(readAll(instrument, results(instrument.catalogue()), 1 << 20))
                            .readings())
                    .hasSize(2);
        }
    }

    @Test
    void aCutLinkIsALostLinkAndTheRestCanBeFetched() throws Exception {
        try (Instrument instrument = connect()) {
            instrument.write(ROUTE_FILE, route());
        }
        panel("/api/walk-all", "{}");
        InstrumentFile file;
        String digest;
        ByteArrayOutputStream got = new ByteArrayOutputStream();
        try (Instrument instrument = connect()) {
            file = results(instrument.catalogue());
            digest = instrument.digest(file.name());
            panel("/api/faults", "{\"cutAfterBytes\":30000}");
            assertThatThrownBy(() -> {
                        while (true) {
                            got.writeBytes(instrument.slice(file.name(), got.size(), 8_000));
                        }
                    })
                    .isInstanceOf(LinkException.Lost.class);
        }
        assertThat(got.size()).isBetween(8_000, 30_000);
        try (Instrument instrument = connect()) {
            while (got.size() < file.bytes()) {
                got.writeBytes(instrument.slice(file.name(), got.size(), 8_000));
            }
        }
        assertThat(Sha256.of(got.toByteArray())).isEqualTo(digest);
    }

    @Test
    void aCorruptBlockIsFoundByItsDigest() throws Exception {
        try (Instrument instrument = connect()) {
            instrument.write(ROUTE_FILE, route());
            panel("/api/walk-all", "{}");
            InstrumentFile file = results(instrument.catalogue());
            panel("/api/faults", "{\"corrupt\":true}");
            byte[] packed = readAll(instrument, file, 1 << 20);
            assertThat(Sha256.of(packed)).isNotEqualTo(instrument.digest(file.name()));
        }
    }

    @Test
    void aFullMemoryTakesNothingAndKeepsWhatItHas() throws Exception {
        try (Instrument instrument = connect()) {
            byte[] before = route();
            instrument.write(ROUTE_FILE, before);
            panel("/api/faults", "{\"memoryFull\":true}");
            assertThatThrownBy(() -> instrument.write(ROUTE_FILE, route()))
                    .isInstanceOf(LinkException.MemoryFull.class);
            assertThat(instrument.digest(ROUTE_FILE)).isEqualTo(Sha256.of(before));
        }
    }

    @Test
    void aSlowInstrumentTimesOutAndABusyOneSaysSo() throws Exception {
        try (Instrument instrument = connect()) {
            panel("/api/faults", "{\"busy\":true}");
            assertThatThrownBy(instrument::catalogue).isInstanceOf(LinkException.Busy.class);
            panel("/api/faults", "{\"slowMillis\":3000}");
            assertThatThrownBy(instrument::identity).isInstanceOf(LinkException.TimedOut.class);
        }
    }

    @Test
    void aMissingFileIsNamedAndTheLinkStaysUsable() throws Exception {
        try (Instrument instrument = connect()) {
            assertThatThrownBy(() -> instrument.slice("RESULTS/W9999.zip", 0, 100))
                    .isInstanceOf(LinkException.NoSuchFile.class)
                    .hasMessageContaining("W9999");
            assertThatThrownBy(() -> instrument.delete("RESULTS/W9999.zip"))
                    .isInstanceOf(LinkException.NoSuchFile.class);
            assertThat(instrument.identity().serial()).isEqualTo("30417");
        }
    }

    @Test
    void nobodyAnswersAtAClosedPort() {
        int port = fieldsim.instrumentPort();
        fieldsim.close();
        assertThatThrownBy(() -> Instrument.connect(new TcpTransport("127.0.0.1", port), Optional.empty()))
                .isInstanceOf(LinkException.NotReachable.class);
    }
}
