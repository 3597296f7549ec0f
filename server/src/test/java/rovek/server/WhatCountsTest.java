package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rovek.core.reading.Capture;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TextCapture;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import tools.jackson.databind.JsonNode;

/** Which of the readings of a check counts, and what is shown of one that does not. */
@ExtendWith(OneRovek.class)
class WhatCountsTest {

    private final Caller caller;
    private final SmallPlant plant;

    WhatCountsTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    private static PackedReading packed(String id, String technique, Optional<UUID> stop, PackedCapture capture) {
        return new PackedReading(
                id,
                Instant.parse("2026-11-01T0" + id + ":00:00Z"),
                technique,
                stop,
                "somewhere",
                "",
                Optional.empty(),
                Map.of(),
                capture);
    }

    private JsonNode taken(String serial, List<PackedReading> readings) {
        Maker maker = new Maker("Elsewhere", Optional.of(new Maker.MakingInstrument("M1", serial, "1.0")));
        byte[] bytes = ReadingsPackage.pack(Instant.parse("2026-11-09T09:00:00Z"), maker, Optional.empty(), readings);
        JsonNode job = caller.awaitJob(
                caller.sendFile("/api/originals", "W.zip", bytes).ok());
        assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("DONE");
        String visit = caller.get("/api/visits")
                .ok()
                .valueStream()
                .filter(one -> one.get("instrument").asString().contains(serial))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        return caller.get("/api/visits/" + visit).ok();
    }

    /** The fault that was seen: what was taken could not be opened, and answered 500 wherever it was looked at. */
    @Test
    void whatWasTakenOpensAlsoWhereItsTechniqueCanMakeNothingOfIt() {
        Capture table = new TableCapture(List.of(new TableCapture.Numbers("cell", "", new double[] {1, 2})), List.of());
        JsonNode sheet = taken(
                "8101",
                List.of(
                        packed("1", "vibration", Optional.empty(), new PackedCapture.Plain(table)),
                        packed("2", "run", Optional.empty(), new PackedCapture.Plain(new TextCapture(List.of("x"))))));
        assertThat(sheet.get("tray")).hasSize(2);
        sheet.get("tray").forEach(reading -> {
            String path = "/api/readings/" + reading.get("id").asString();
            assertThat(caller.get(path + "/capture").ok().get("kind").asString())
                    .isIn("table", "text");
            assertThat(caller.get(path + "/curves").ok().get("remarks")).isNotEmpty();
            assertThat(caller.get(path + "/insight").status()).isEqualTo(200);
        });
    }

    @Test
    void aLooseValueShowsItsNumberWhateverItsUnit() {
        JsonNode tray = taken(
                        "8102",
                        List.of(
                                packed(
                                        "1",
                                        "gauge",
                                        Optional.empty(),
                                        new PackedCapture.Plain(
                                                new ValueCapture(new Amount(73.5, UnitCatalogue.DEGREE_CELSIUS)))),
                                packed(
                                        "2",
                                        "gauge",
                                        Optional.empty(),
                                        new PackedCapture.Plain(
                                                new ValueCapture(new Amount(41, UnitCatalogue.DECIBEL))))))
                .get("tray");
        assertThat(tray.valueStream()
                        .map(one -> one.get("value").asDouble() + " "
                                + one.get("unit").asString()))
                .containsExactlyInAnyOrder("73.5 °C", "41.0 dB");
    }

    /** An overloaded sensor shows a number, and neither baseline nor trend goes by it. */
    @Test
    void anOverloadedReadingCountsInNoTrend() {
        UUID check = UUID.fromString(plant.pump("P-83").get(0));
        List<PackedReading> readings = new ArrayList<>();
        for (int i = 1; i <= 3; i++) {
            float[] samples = new float[16_384];
            for (int n = 0; n < samples.length; n++) {
                samples[n] = (float) (i * Math.sin(2 * Math.PI * 50 * n / 25_600.0));
            }
            readings.add(packed(
                    String.valueOf(i),
                    "vibration",
                    Optional.of(check),
                    new PackedReading.Waveform(
                            samples,
                            25_600,
                            UnitCatalogue.METRE_PER_SQUARE_SECOND,
                            1,
                            OptionalDouble.empty(),
                            OptionalDouble.of(2.5))));
        }
        taken("8103", readings);
        JsonNode trend = caller.get("/api/checks/" + check + "/trend").ok();
        assertThat(trend.get("readings").asInt()).isEqualTo(2);
        assertThat(trend.get("points")
                        .valueStream()
                        .map(one -> one.get("reason").asString()))
                .as("it is drawn, and says why it does not count")
                .anySatisfy(reason -> assertThat(reason).contains("overloaded"));
        assertThat(trend.get("course").get("readings").asInt()).isEqualTo(2);
        assertRecalculatedItCountsNoMore(check, 2);
    }

    /** What keeps a reading from counting keeps it from that also where its numbers are made once more. */
    private void assertRecalculatedItCountsNoMore(UUID check, int readings) {
        int points =
                caller.get("/api/checks/" + check + "/trend").ok().get("points").size();
        plant.alter(check.toString(), "setting.vibration.bandsHz", "", "running: 20..60")
                .ok();
        caller.awaitJob(
                caller.post("/api/checks/" + check + "/recalculate", Map.of()).ok());
        JsonNode trend = caller.get("/api/checks/" + check + "/trend").ok();
        assertThat(trend.get("readings").asInt()).isEqualTo(readings);
        assertThat(trend.get("points")).hasSize(points);
    }

    private static PackedReading value(
            String id, UUID check, String takenAt, double bar, Optional<String> replaces, String note) {
        return new PackedReading(
                id,
                Instant.parse(takenAt),
                "gauge",
                Optional.of(check),
                "",
                note,
                replaces,
                Map.of(),
                new PackedCapture.Plain(new ValueCapture(new Amount(bar, UnitCatalogue.BAR))));
    }

    private UUID gauge(String tag) {
        plant.pump(tag);
        String point = plant.rows().stream()
                .map(row -> row.get("node"))
                .filter(node -> node.get("level").asString().equals("POINT"))
                .reduce((first, last) -> last)
                .orElseThrow()
                .get("id")
                .asString();
        String check = plant.check(point, "gauge", "Pressure");
        caller.limit(check, "gauge", "pressure", 5.0, 8.0).ok();
        return UUID.fromString(check);
    }

    private JsonNode row(JsonNode sheet, UUID check) {
        return sheet.get("rows")
                .valueStream()
                .filter(row -> row.get("checkId").asString().equals(check.toString()))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void ofAReadingAndItsRepetitionTheLaterCountsWhicheverArrivesFirst() {
        UUID check = gauge("P-84");
        taken("8104", List.of(value("2", check, "2026-11-01T08:10:00Z", 3, Optional.of("1"), "")));
        JsonNode sheet = taken(
                "8104", List.of(value("1", check, "2026-11-01T08:00:00Z", 9, Optional.empty(), "hose was loose")));
        assertThat(row(sheet, check).get("value").asDouble()).isEqualTo(3);
        assertThat(row(sheet, check).get("repeats").asInt()).isEqualTo(1);
        assertThat(caller.get("/api/checks/" + check + "/trend").ok().get("points"))
                .hasSize(1);
    }

    /** A reading of 2036 would be the newest for ten years, and hide every failure until then. */
    @Test
    void aReadingOfTheFutureCountsNowhereUntilItIsDated() {
        UUID check = gauge("P-85");
        JsonNode future = taken("8105", List.of(value("1", check, "2036-05-12T08:00:00Z", 3, Optional.empty(), "")));
        JsonNode row = row(future, check);
        assertThat(row.get("verdict").asString()).isEqualTo("NOT_JUDGED");
        assertThat(row.get("reason").asString())
                .isEqualTo("It is dated 12 May 2036, later than it was read back. Correct its time.");
        taken("8106", List.of(value("1", check, "2026-11-01T08:00:00Z", 9, Optional.empty(), "")));
        assertThat(plant.standing(check.toString()).get("worst").asString()).isEqualTo("FAIL");
        assertThat(caller.get("/api/checks/" + check + "/trend").ok().get("points"))
                .hasSize(1);
        String visit = future.get("id").asString();
        caller.post(
                        "/api/visits/" + visit + "/times",
                        Map.of("readingId", row.get("readingId").asString(), "takenAt", "2026-11-02T08:00:00Z"))
                .ok();
        assertThat(row(caller.get("/api/visits/" + visit).ok(), check)
                        .get("verdict")
                        .asString())
                .isEqualTo("PASS");
        assertThat(plant.standing(check.toString()).get("worst").asString())
                .as("dated, it is the newest")
                .isEqualTo("PASS");
        assertThat(caller.get("/api/checks/" + check + "/trend")
                        .ok()
                        .get("readings")
                        .asInt())
                .isEqualTo(2);
    }

    @Test
    void aReadingsOwnNoteIsShownWhereItsStopHasNone() {
        UUID check = gauge("P-86");
        JsonNode sheet = taken(
                "8107", List.of(value("1", check, "2026-11-01T08:00:00Z", 3, Optional.empty(), "needle trembles")));
        assertThat(row(sheet, check).get("note").asString()).isEqualTo("needle trembles");
    }

    /** Two readings that were corrected differently: each goes back to its own. */
    @Test
    void timesAsWrittenAreEachReadingsOwn() {
        UUID check = gauge("P-87");
        UUID other = gauge("P-88");
        JsonNode sheet = taken(
                "8108",
                List.of(
                        value("1", check, "2026-11-01T08:00:00Z", 3, Optional.empty(), ""),
                        value("2", other, "2026-11-01T09:00:00Z", 3, Optional.empty(), "")));
        String visit = sheet.get("id").asString();
        String second = row(sheet, other).get("readingId").asString();
        String part = caller.post("/api/visits/" + visit + "/move-readings", Map.of("readingIds", List.of(second)))
                .ok()
                .get("id")
                .asString();
        String beside = caller.get("/api/visits")
                .ok()
                .valueStream()
                .filter(one -> one.get("title").asString().startsWith("From "))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        caller.post("/api/visits/" + beside + "/times", Map.of("readingId", second, "takenAt", "2026-11-05T12:00:00Z"))
                .ok();
        caller.post("/api/visits/" + beside + "/move-readings", Map.of("readingIds", List.of(second), "visitId", visit))
                .ok();
        assertThat(part).isNotBlank();
        caller.post("/api/visits/" + visit + "/times", Map.of()).ok();
        assertThat(takenAt(check)).isEqualTo("2026-11-01T08:00:00Z");
        assertThat(takenAt(other)).isEqualTo("2026-11-01T09:00:00Z");
    }

    private String takenAt(UUID check) {
        return caller.get("/api/checks/" + check + "/trend")
                .ok()
                .get("points")
                .get(0)
                .get("at")
                .asString();
    }
}
