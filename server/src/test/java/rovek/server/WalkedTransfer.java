package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** An instrument with a route of one pump, to be loaded, walked and read back. */
abstract class WalkedTransfer {

    final RunningRovek rovek;
    final Caller caller;
    final SmallPlant plant;

    @TempDir
    Path memory;

    FieldDay field;
    String instrument;
    List<String> checks;
    String route;

    WalkedTransfer(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    @BeforeEach
    void prepare() {
        field = new FieldDay(memory);
        instrument = field.connect(caller);
        checks = plant.pump("P-102");
        route = plant.route(checks);
    }

    @AfterEach
    void switchOff() {
        field.close();
    }

    long count(String table) {
        try (var db = rovek.database().connect();
                var statement = db.createStatement();
                var rows = statement.executeQuery("SELECT count(*) FROM " + table)) {
            rows.next();
            return rows.getLong(1);
        } catch (SQLException e) {
            throw new AssertionError(e);
        }
    }

    JsonNode look() {
        return caller.get("/api/instruments/" + instrument + "/connection").ok();
    }

    JsonNode file(String kind) {
        return StreamSupport.stream(look().get("files").spliterator(), false)
                .filter(file -> file.get("kind").asString().equals(kind))
                .findFirst()
                .orElseThrow();
    }

    void loadAndWalk() {
        assertThat(field.load(caller, instrument, route).get("state").asString())
                .isEqualTo("DONE");
        field.press("/api/walk-all", Map.of());
    }

    /** The visit of this test's own route: other tests' visits may have begun within the same second. */
    JsonNode visit() {
        return caller.get("/api/visits")
                .ok()
                .valueStream()
                .map(line ->
                        caller.get("/api/visits/" + line.get("id").asString()).ok())
                .filter(sheet -> sheet.get("rows").toString().contains(checks.get(3)))
                .findFirst()
                .orElseThrow();
    }
}
