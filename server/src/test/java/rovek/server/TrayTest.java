package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.fieldsim.Fieldsim;
import tools.jackson.databind.JsonNode;

/** Loose readings find their place, several at once, and readings that look swapped are pointed out. */
@ExtendWith(OneRovek.class)
class TrayTest {

    @TempDir
    Path memory;

    private final RunningRovek rovek;
    private final Caller caller;
    private final SmallPlant plant;
    private String serial;
    private FieldDay field;
    private String instrument;

    TrayTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    @BeforeEach
    void switchOn() {
        serial = UUID.randomUUID().toString();
        field = new FieldDay(Fieldsim.Kind.VIBRATION, serial, memory);
        instrument = field.connect(caller);
    }

    @AfterEach
    void switchOff() {
        field.close();
    }

    private JsonNode newestVisit() {
        JsonNode newest = caller.get("/api/visits")
                .ok()
                .valueStream()
                .filter(visit -> visit.get("instrument").asString().endsWith(serial))
                .findFirst()
                .orElseThrow();
        return caller.get("/api/visits/" + newest.get("id").asString()).ok();
    }

    private Caller.Answer place(List<Map<String, Object>> placements) {
        return caller.post("/api/placements", Map.of("placements", placements));
    }

    /** A plant like that is written straight into the tables: by the API it would take minutes. */
    private void pumpsOf(String name, int count) {
        String area = plant.id(
                plant.id(plant.id(null, "CLIENT", "", "Client of " + name), "SITE", "", "Works"), "AREA", "", "Hall");
        JdbcClient db = rovek.bean(JdbcClient.class);
        String insert = "INSERT INTO node (id, parent_id, level, tag, name, technique, place) "
                + "SELECT %s, %s, '%s', %s, %s, %s, n FROM generate_series(1, " + count + ") n";
        String asset = "md5('%s-a-' || n)::uuid".formatted(name);
        String point = "md5('%s-p-' || n)::uuid".formatted(name);
        db.sql(insert.formatted(asset, "'" + area + "'::uuid", "ASSET", "'X-' || (1000 + n)", "'" + name + "'", "''"))
                .update();
        db.sql(insert.formatted(point, asset, "POINT", "''", "'Coupling'", "''"))
                .update();
        db.sql(insert.formatted("md5('%s-c-' || n)::uuid".formatted(name), point, "CHECK", "''", "''", "'vibration'"))
                .update();
    }

    @Test
    void aWordThatHundredsShareTellsNothing() {
        pumpsOf("Compressor", 3_000);
        pumpsOf("Blower", 20);
        field.press("/api/loose", Map.of("assetTag", "Compressor", "point", "Coupling"));
        field.press("/api/loose", Map.of("assetTag", "Blower", "point", "Coupling"));
        field.readBack(caller, instrument);
        JsonNode tray = newestVisit().get("tray");
        assertThat(tray.valueStream()
                        .filter(one -> one.get("label").asString().startsWith("Compressor"))
                        .findFirst()
                        .orElseThrow()
                        .get("proposals"))
                .isEmpty();
        assertThat(tray.valueStream()
                        .filter(one -> one.get("label").asString().startsWith("Blower"))
                        .findFirst()
                        .orElseThrow()
                        .get("proposals"))
                .isNotEmpty();
    }

    @Test
    void looseReadingsArePlacedTogetherOrNotAtAll() {
        List<String> checks = new ArrayList<>(plant.pump("P-711"));
        checks.addAll(plant.pump("P-712"));
        field.press("/api/loose", Map.of("assetTag", "P-711", "point", "Drive end"));
        field.press("/api/loose", Map.of("assetTag", "P-712", "point", "Non-drive end"));
        field.readBack(caller, instrument);
        JsonNode tray = newestVisit().get("tray");
        List<Map<String, Object>> best = tray.valueStream()
                .map(loose -> Map.<String, Object>of(
                        "readingId",
                        loose.get("id").asString(),
                        "checkId",
                        loose.get("proposals").get(0).get("checkId").asString()))
                .toList();
        assertThat(best).extracting(one -> one.get("checkId")).containsExactly(checks.get(0), checks.get(6));
        assertThat(tray.valueStream()
                        .map(loose ->
                                loose.get("proposals").get(0).get("certainty").asDouble())
                        .toList())
                .allMatch(certainty -> certainty >= 0.8);
        List<Map<String, Object>> oneWrong = new ArrayList<>(best);
        oneWrong.add(Map.of(
                "readingId",
                tray.get(0).get("id").asString(),
                "checkId",
                UUID.randomUUID().toString()));
        assertThat(place(oneWrong).status()).isEqualTo(404);
        assertThat(newestVisit().get("tray")).as("none of them").hasSize(2);
        place(best).ok();
        assertThat(newestVisit().get("tray")).isEmpty();
        assertThat(caller.get("/api/checks/" + checks.get(6) + "/trend").ok().get("points"))
                .hasSize(1);
    }

    @Test
    void readingsThatFitCrosswiseArePointedOutAndSwapped() {
        List<String> checks = plant.pump("P-102");
        String route = plant.route(checks);
        // Hours apart, in which a worn bearing does not wear on: what its values differ by is noise.
        for (int hoursAgo = 12; hoursAgo >= 2; hoursAgo -= 2) {
            field.press(
                    "/api/time",
                    Map.of("at", Instant.now().minus(Duration.ofHours(hoursAgo)).toString()));
            field.loadOnThatDay(caller, instrument, route);
            field.press("/api/walk-all", Map.of());
            field.readBack(caller, instrument);
        }
        JsonNode measured = newestVisit().get("rows");
        assertThat(measured.valueStream()
                        .map(row -> row.get("swappedWith").asString())
                        .toList())
                .as("as measured")
                .allMatch(String::isEmpty);
        String worn = measured.get(1).get("readingId").asString();
        String sound = measured.get(3).get("readingId").asString();
        place(List.of(
                        Map.of("readingId", worn, "checkId", checks.get(3)),
                        Map.of("readingId", sound, "checkId", checks.get(1))))
                .ok();
        JsonNode mistaken = newestVisit().get("rows");
        assertThat(mistaken.get(1).get("swappedWith").asString()).isEqualTo("P-102 Non-drive end");
        assertThat(mistaken.get(3).get("swappedWithId").asString()).isEqualTo(sound);
        place(List.of(
                        Map.of("readingId", worn, "checkId", checks.get(1)),
                        Map.of("readingId", sound, "checkId", checks.get(3))))
                .ok();
        assertThat(newestVisit().get("rows"))
                .as("swapped back, it is what was measured")
                .isEqualTo(measured);
    }
}
