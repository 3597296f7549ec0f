package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.Amount;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import tools.jackson.databind.JsonNode;

/**
 * Instruments are told apart by maker, model and serial number; without a serial number by the connection, or by who
 * brought the file.
 */
@ExtendWith(OneRovek.class)
class WhoAnInstrumentIsTest {

    private final Caller caller;
    private final SmallPlant plant;
    private final String address;

    @TempDir
    Path folder;

    WhoAnInstrumentIsTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
        this.address = rovek.address();
    }

    private List<JsonNode> withSerial(String serial) {
        return caller.get("/api/instruments")
                .ok()
                .valueStream()
                .filter(one -> one.get("serial").asString().equals(serial))
                .toList();
    }

    /** A walk of all checks with its instrument; the visit it made. */
    private String walked(FieldDay day, List<String> checks) {
        String instrument = day.connect(caller);
        day.load(caller, instrument, plant.route(checks));
        day.press("/api/walk-all", Map.of());
        assertThat(day.readBack(caller, instrument).get("sentence").asString())
                .startsWith(checks.size() + " new readings");
        return caller.get("/api/visits")
                .ok()
                .valueStream()
                .map(visit -> visit.get("id").asString())
                .filter(visit -> caller.get("/api/visits/" + visit)
                        .ok()
                        .get("instrument")
                        .get("id")
                        .asString()
                        .equals(instrument))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void twoMakersWithOneSerialNumberAreTwoInstrumentsAndTheReportNamesTheRightOne() {
        try (FieldDay one = new FieldDay("Fieldsim", "5000", folder.resolve("one"));
                FieldDay other = new FieldDay("Otherwise", "5000", folder.resolve("other"))) {
            List<String> first = plant.pump("P-81");
            List<String> second = plant.pump("P-82");
            walked(one, first);
            String visit = walked(other, second);
            assertThat(withSerial("5000"))
                    .extracting(instrument -> instrument.get("maker").asString())
                    .containsExactlyInAnyOrder("Fieldsim", "Otherwise");
            assertThat(caller.get("/api/visits/" + visit)
                            .ok()
                            .get("instrument")
                            .get("maker")
                            .asString())
                    .isEqualTo("Otherwise");
            String report = caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", second))
                    .ok()
                    .get("id")
                    .asString();
            assertThat(caller.get("/api/certificates/" + report + "/preview")
                            .ok()
                            .get("html")
                            .asString())
                    .contains("Otherwise VH-2, serial number 5000, calibrated on");
        }
    }

    @Test
    void aSerialNumberOfNothingIsNoneAndTheConnectionTellsThemApart() {
        try (FieldDay one = new FieldDay("Fieldsim", "0", folder.resolve("one"));
                FieldDay other = new FieldDay("Fieldsim", "0", folder.resolve("other"))) {
            List<String> checks = plant.pump("P-83");
            String visit = walked(one, checks);
            String later = walked(other, checks);
            assertThat(later).isNotEqualTo(visit);
            String at = "127.0.0.1 port " + other.instrumentPort();
            assertThat(caller.get("/api/visits/" + later)
                            .ok()
                            .get("instrument")
                            .get("knownBy")
                            .asString())
                    .isEqualTo(at);
            String again = other.connect(caller);
            assertThat(caller.get("/api/instruments")
                            .ok()
                            .valueStream()
                            .filter(instrument ->
                                    instrument.get("knownBy").asString().equals(at)))
                    .as("met again by the same connection")
                    .hasSize(1)
                    .first()
                    .extracting(instrument -> instrument.get("id").asString())
                    .isEqualTo(again);
            String report = caller.post("/api/certificates", Map.of("visitId", later, "checkIds", checks))
                    .ok()
                    .get("id")
                    .asString();
            assertThat(caller.get("/api/certificates/" + report + "/preview")
                            .ok()
                            .get("html")
                            .asString())
                    .contains("Fieldsim VH-2, without a serial number (" + at + "), calibrated on");
        }
    }

    private static byte[] packed(Maker.MakingInstrument by, String id) {
        PackedReading reading = new PackedReading(
                id,
                Instant.parse("2026-11-02T08:00:00Z"),
                "entry",
                Optional.empty(),
                "P-84 gauge",
                "",
                Optional.empty(),
                Map.of(),
                new PackedCapture.Plain(new ValueCapture(Amount.of(4.2, "bar"))));
        return ReadingsPackage.pack(
                Instant.parse("2026-11-02T09:00:00Z"),
                new Maker("Elsewhere", Optional.of(by)),
                Optional.empty(),
                List.of(reading));
    }

    private String taken(Caller by, byte[] bytes) {
        JsonNode job =
                by.awaitJob(by.sendFile("/api/originals", "W0001.zip", bytes).ok());
        assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("DONE");
        return job.get("sentence").asString().substring(0, 13);
    }

    @Test
    void aFileWithoutAMakerIsOfTheOneInstrumentThatFitsAndFilesWithoutASerialNumberAreOfTheirPersons() {
        assertThat(taken(caller, packed(new Maker.MakingInstrument("Alpha", "M1", "88", "1"), "1")))
                .isEqualTo("1 new reading");
        assertThat(taken(caller, packed(new Maker.MakingInstrument("", "M1", "88", "1"), "1")))
                .isEqualTo("0 new reading");
        assertThat(taken(caller, packed(new Maker.MakingInstrument("alpha ", "m1", "88", "1"), "1")))
                .as("however it is written")
                .isEqualTo("0 new reading");
        assertThat(taken(caller, packed(new Maker.MakingInstrument("Beta", "M1", "88", "1"), "1")))
                .isEqualTo("1 new reading");
        assertThat(withSerial("88")).hasSize(2);

        caller.post(
                        "/api/accounts",
                        Map.of(
                                "name",
                                "second",
                                "displayName",
                                "S. Second",
                                "role",
                                "TECHNICIAN",
                                "password",
                                "a long pass word"))
                .ok();
        Caller second = Caller.signedIn(address, "second", "a long pass word");
        assertThat(taken(caller, packed(new Maker.MakingInstrument("Alpha", "M1", "0", "1"), "1")))
                .isEqualTo("1 new reading");
        assertThat(taken(second, packed(new Maker.MakingInstrument("Alpha", "M1", " ", "1"), "1")))
                .as("another person's")
                .isEqualTo("1 new reading");
        assertThat(taken(second, packed(new Maker.MakingInstrument("Alpha", "M1", "", "1"), "1")))
                .isEqualTo("0 new reading");
        assertThat(withSerial(""))
                .extracting(instrument -> instrument.get("knownBy").asString())
                .contains("a file from administrator", "a file from second");
    }

    @Test
    void whatLiesOnOneInstrumentButWasWrittenByAnotherIsTheOthersAtItsTimes() throws Exception {
        Path memory = folder.resolve("memory");
        try (FieldDay day = new FieldDay("Fieldsim", "5001", memory)) {
            String instrument = day.connect(caller);
            Files.createDirectories(memory.resolve("RESULTS"));
            Files.write(
                    memory.resolve("RESULTS/W9001.zip"),
                    packed(new Maker.MakingInstrument("Gamma", "M2", "99", "1"), "1"));
            day.press("/api/clock-error", Map.of("seconds", 7200));
            assertThat(day.readBack(caller, instrument).get("sentence").asString())
                    .startsWith("1 new reading");
            String model = withSerial("5001").get(0).get("model").asString();
            Files.write(
                    memory.resolve("RESULTS/W9002.zip"),
                    packed(new Maker.MakingInstrument("Gamma", model, "5001", "1"), "2"));
            assertThat(day.readBack(caller, instrument).get("sentence").asString())
                    .startsWith("1 new reading");
            assertThat(withSerial("5001"))
                    .as("another maker's, though model and serial number are the same")
                    .extracting(one -> one.get("maker").asString())
                    .containsExactlyInAnyOrder("Fieldsim", "Gamma");
        }
        String writer = withSerial("99").get(0).get("id").asString();
        List<JsonNode> visits = new ArrayList<>();
        caller.get("/api/visits")
                .ok()
                .forEach(visit -> visits.add(
                        caller.get("/api/visits/" + visit.get("id").asString()).ok()));
        JsonNode visit = visits.stream()
                .filter(one -> one.get("instrument").get("id").asString().equals(writer))
                .findFirst()
                .orElseThrow();
        assertThat(visit.get("beganAt").asString()).isEqualTo("2026-11-02T08:00:00Z");
    }

    @Test
    void whatAnEarlierVersionKeptBySerialNumberAloneStaysWhereItWas() throws SQLException {
        try (TestDatabase old = TestDatabase.createAt("23");
                Connection db = old.connect();
                Statement sql = db.createStatement()) {
            sql.execute("""
                    INSERT INTO instrument (id, maker, model, serial, firmware, options, last_seen_at, version) VALUES
                        ('00000000-0000-4000-8000-000000000001', 'Alpha', 'M1', '771', '1', '', now(), 0),
                        ('00000000-0000-4000-8000-000000000002', 'Alpha', 'M1', '0', '1', '', now(), 0),
                        ('00000000-0000-4000-8000-000000000003', 'Alpha', 'M1', '', '1', '', now(), 0),
                        ('00000000-0000-4000-8000-000000000004', 'Alpha', 'M1', ' ', '1', '', now(), 0)""");
            sql.execute("INSERT INTO connection VALUES (gen_random_uuid(), 'c', 'NETWORK', '10.0.0.5', 5025, '', "
                    + "'00000000-0000-4000-8000-000000000002', now())");
            for (int i = 1; i <= 2; i++) {
                sql.execute(("INSERT INTO original VALUES ('10000000-0000-4000-8000-00000000000%1$d', "
                                + "'00000000-0000-4000-8000-00000000000%1$d', 'f', 's', 1, '\\x00', now(), 'x')")
                        .formatted(i));
                sql.execute(("INSERT INTO visit VALUES ('20000000-0000-4000-8000-00000000000%1$d', NULL, NULL, 'V', "
                                + "now(), '00000000-0000-4000-8000-00000000000%1$d', 'x', 0)")
                        .formatted(i));
                sql.execute("""
                        INSERT INTO reading (id, visit_id, original_id, instrument_serial, own_id, capture_sha256, technique,
                            taken_at, instrument_time, label, note, settings,
                            obstacle, replaced, filled, stored_at, version)
                        VALUES (gen_random_uuid(), '20000000-0000-4000-8000-00000000000%1$d',
                            '10000000-0000-4000-8000-00000000000%1$d', '%2$s', '1', 'same', 'entry', now(), now(),
                            '', '', '{}', '', false, '{}', now(), 0)""".formatted(i, i == 1 ? "771" : "0"));
            }
            old.migrateToTheNewest();
            List<String> seen = new ArrayList<>();
            try (var rows = sql.executeQuery(
                    "SELECT i.serial || '|' || i.known_by FROM reading r JOIN instrument i ON i.id = r.instrument_id ORDER BY i.serial")) {
                while (rows.next()) {
                    seen.add(rows.getString(1));
                }
            }
            assertThat(seen).containsExactly("|10.0.0.5 port 5025", "771|");
        }
    }
}
