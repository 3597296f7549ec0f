package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** The demonstration keeps its promises: a year of the plant, lived through the real pipeline. */
class DemoStoryTest {

    @TempDir
    Path memory;

    private static long count(RunningRovek rovek, String what) throws SQLException {
        try (var db = rovek.database().connect();
                var statement = db.createStatement();
                var rows = statement.executeQuery("SELECT count(*) FROM " + what)) {
            rows.next();
            return rows.getLong(1);
        }
    }

    private static List<JsonNode> nodes(Caller caller, String level) {
        return caller.get("/api/plant").ok().valueStream().filter(node -> node.get("level").asString().equals(level)).toList();
    }

    @Test
    void aYearOfMarrowdale() throws SQLException {
        try (FieldDay field = new FieldDay(memory);
                RunningRovek rovek = RunningRovek.start(
                        "--rovek.first-administrator.name=",
                        "--rovek.demo.panel=" + field.panelAddress(),
                        "--rovek.demo.instrument-port=" + field.instrumentPort())) {
            Caller caller = Caller.signedIn(rovek.address(), "technician", "marrowdale-demo");
            assertThat(nodes(caller, "AREA")).hasSize(2);
            assertThat(nodes(caller, "ASSET")).hasSize(6);
            assertThat(nodes(caller, "POINT")).hasSize(12);
            assertThat(caller.get("/api/visits").ok()).hasSize(24);
            assertThat(count(rovek, "reading")).isEqualTo(24 * 24 + 1);
            assertThat(count(rovek, "result")).as("RMS and peak, and two more: two bands of a velocity, crest and kurtosis of an acceleration; a loose one has the two").isEqualTo(4 * 24 * 24 + 2);
            assertThat(count(rovek, "original o WHERE size = length(bytes)")).isEqualTo(25);
            assertThat(verdicts(caller)).isEqualTo(Map.of(
                    "P-101", "PASS", "P-102", "FAIL", "P-103", "PASS", "B-201", "WATCH", "B-202", "PASS", "F-210", "NOT_JUDGED"));
            assertThat(caller.get("/api/certificates").text()).contains("\"PREPARED\"").contains("\"ISSUED\"");
        }
    }

    private static Map<String, String> verdicts(Caller caller) {
        Map<String, String> byNode = new SmallPlant(caller).rows().stream().map(row -> row.get("standing"))
                .collect(Collectors.toMap(standing -> standing.get("nodeId").asString(), standing -> standing.get("worst").asString()));
        return nodes(caller, "ASSET").stream()
                .collect(Collectors.toMap(node -> node.get("tag").asString(), node -> byNode.get(node.get("id").asString())));
    }
}
