package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.fieldsim.Fieldsim;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import tools.jackson.databind.JsonNode;

/** Packages that are taken in parts are taken whole or not at all, and what is kept of them never changes. */
@ExtendWith(OneRovek.class)
class LargePackagesTest {

    private static final Instant FIRST = Instant.parse("2026-10-01T08:00:00Z");

    private final RunningRovek rovek;
    private final Caller caller;

    @TempDir
    Path memory;

    LargePackagesTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
    }

    private void execute(String sql) throws SQLException {
        try (var db = rovek.database().connect();
                var statement = db.createStatement()) {
            statement.execute(sql);
        }
    }

    private long count(String what) throws SQLException {
        try (var db = rovek.database().connect();
                var statement = db.createStatement();
                var rows = statement.executeQuery("SELECT count(*) FROM " + what)) {
            rows.next();
            return rows.getLong(1);
        }
    }

    /** @param minutes between two readings */
    private static byte[] numbers(String serial, int count, int minutes) {
        List<PackedReading> readings = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            readings.add(new PackedReading(
                    "n" + i,
                    FIRST.plusSeconds(60L * minutes * i),
                    "gauge",
                    Optional.empty(),
                    "P-1",
                    "",
                    Optional.empty(),
                    Map.of("quantity", "pressure"),
                    new PackedCapture.Plain(new ValueCapture(new Amount(2 + i * 1e-4, UnitCatalogue.BAR)))));
        }
        return ReadingsPackage.pack(
                FIRST,
                new Maker("Elsewhere", Optional.of(new Maker.MakingInstrument("Maker", "M1", serial, "1.0"))),
                Optional.empty(),
                readings);
    }

    private JsonNode take(byte[] bytes) {
        return caller.awaitJob(caller.sendFile("/api/originals", "N.zip", bytes).ok());
    }

    @Test
    void aFaultInTheLastPartLeavesNothingOfTheFirst() throws SQLException {
        byte[] bytes = numbers("8001", 4_500, 1);
        long before = count("reading");
        execute("""
                CREATE FUNCTION refuse_one() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'no'; END $$;
                CREATE TRIGGER refuse_one BEFORE INSERT ON reading FOR EACH ROW WHEN (NEW.own_id = 'n4400')
                    EXECUTE FUNCTION refuse_one()""");
        try {
            assertThat(take(bytes).get("state").asString()).isEqualTo("FAILED");
            assertThat(count("reading")).isEqualTo(before);
            assertThat(count("original_intake i JOIN original o ON o.id = i.original_id "
                            + "JOIN instrument m ON m.id = o.instrument_id WHERE m.serial = '8001'"))
                    .isZero();
        } finally {
            execute("DROP TRIGGER refuse_one ON reading; DROP FUNCTION refuse_one()");
        }
        assertThat(take(bytes).get("sentence").asString()).startsWith("4,500 new readings, 4,500 of them loose.");
        assertThat(take(bytes).get("sentence").asString()).startsWith("0 new readings, 4,500 already stored.");
        assertThat(take(numbers("8001", 4_600, 1)).get("sentence").asString())
                .as("the rest of a longer one")
                .startsWith("100 new readings, 100 of them loose, 4,500 already stored.");
        assertThat(count("reading")).isEqualTo(before + 4_600);
    }

    /** Two days apart each, over the parts' ends: as many visits, each with its own reading. */
    @Test
    void partsDoNotMakeVisits() throws SQLException {
        long before = count("visit");
        take(numbers("8002", 30, 2 * 24 * 60));
        assertThat(count("visit")).isEqualTo(before + 30);
        take(numbers("8003", 2_100, 10));
        assertThat(count("visit")).as("every ten minutes for two weeks is one").isEqualTo(before + 31);
    }

    /** A file could retire somebody's readings without a line in the trail. */
    @Test
    void whatAPackageRepeatsStandsInTheTrailReadingByReading() throws SQLException {
        take(numbers("8006", 2, 1));
        PackedReading again = new PackedReading(
                "x0",
                FIRST.plusSeconds(30),
                "gauge",
                Optional.empty(),
                "P-1",
                "",
                Optional.of("n0"),
                Map.of("quantity", "pressure"),
                new PackedCapture.Plain(new ValueCapture(new Amount(2.5, UnitCatalogue.BAR))));
        Maker maker = new Maker("Elsewhere", Optional.of(new Maker.MakingInstrument("Maker", "M1", "8006", "1.0")));
        take(ReadingsPackage.pack(FIRST.plusSeconds(60), maker, Optional.empty(), List.of(again)));
        String theirs = "JOIN reading r ON r.id::text = a.subject_id JOIN instrument i ON i.id = r.instrument_id "
                + "WHERE i.serial = '8006' AND a.action = 'repeated'";
        assertThat(count("audit_entry a " + theirs)).isEqualTo(1);
        assertThat(count("audit_entry a " + theirs + " AND r.own_id = 'n0' AND r.replaced AND a.before LIKE '%false%' "
                        + "AND a.after LIKE '%' || (SELECT id FROM reading WHERE own_id = 'x0') || " + "'%'"))
                .isEqualTo(1);
    }

    @Test
    void theBytesOfAnOriginalCanNeitherBeChangedNorRemoved() throws SQLException {
        take(numbers("8004", 1, 1));
        for (String change : List.of(
                "UPDATE original_piece SET bytes = ''",
                "DELETE FROM original_piece",
                "UPDATE original SET file_name = 'x'",
                "DELETE FROM original")) {
            assertThatThrownBy(() -> execute(change))
                    .as(change)
                    .isInstanceOf(SQLException.class)
                    .hasMessageContaining("originals are not changed");
        }
    }

    /** Until then nobody but who brought the file knows where it comes from. */
    @Test
    void whatCameAsAFileIsTheInstrumentsOnceItIsSeenThere() throws SQLException {
        try (FieldDay field = new FieldDay(Fieldsim.Kind.VIBRATION, "80051", memory)) {
            String instrument = field.connect(caller);
            field.press("/api/loose", Map.of("assetTag", "P-1", "point", "Coupling"));
            field.readBack(caller, instrument);
            execute(("ALTER TABLE original DISABLE TRIGGER USER; UPDATE original SET as_file = true "
                            + "WHERE instrument_id = '%s'; ALTER TABLE original ENABLE TRIGGER USER")
                    .formatted(instrument));
            assertThat(field.readBack(caller, instrument).get("sentence").asString())
                    .startsWith("0 new readings, 1 already stored.");
            assertThat(count("original WHERE as_file AND instrument_id = '%s'".formatted(instrument)))
                    .isZero();
            UUID original = UUID.fromString(caller.get("/api/instruments/" + instrument + "/originals")
                    .ok()
                    .get(0)
                    .get("id")
                    .asString());
            assertThat(count("audit_entry WHERE subject_id = '%s' AND action = 'seen on its instrument'"
                            .formatted(original)))
                    .isEqualTo(1);
        }
    }
}
