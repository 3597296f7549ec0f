package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Arrays;
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
        return caller.get("/api/plant")
                .ok()
                .valueStream()
                .filter(node -> node.get("level").asString().equals(level))
                .toList();
    }

    @Test
    void aYearOfMarrowdale() throws Exception {
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
            assertThat(count(rovek, "result"))
                    .as("RMS and peak, and two more: two bands of a velocity, crest and kurtosis of an "
                            + "acceleration; a loose one has the two")
                    .isEqualTo(4 * 24 * 24 + 2);
            assertThat(
                            count(
                                    rovek,
                                    "original o WHERE size = (SELECT sum(length(bytes)) FROM original_piece WHERE original_id = o.id)"))
                    .isEqualTo(25);
            assertThat(verdicts(caller))
                    .isEqualTo(Map.of(
                            "P-101",
                            "PASS",
                            "P-102",
                            "FAIL",
                            "P-103",
                            "PASS",
                            "B-201",
                            "WATCH",
                            "B-202",
                            "PASS",
                            "F-210",
                            "NOT_JUDGED"));
            assertThat(caller.get("/api/certificates").text())
                    .contains("\"PREPARED\"")
                    .contains("\"ISSUED\"");
            aBackupOfItIsTheSameElsewhere(rovek, caller);
        }
    }

    private void aBackupOfItIsTheSameElsewhere(RunningRovek rovek, Caller caller) throws Exception {
        Path file = memory.resolve("marrowdale.backup");
        assertThat(BackupScript.run(rovek.database(), "backup", file)).contains("holds the database");
        assertThat(Files.getPosixFilePermissions(file))
                .as("nobody else reads it")
                .hasSize(2);
        assertThat(BackupScript.run(rovek.database(), "restore", file))
                .as("over what is there")
                .contains("holds something already");
        byte[] bytes = Files.readAllBytes(file);
        bytes[bytes.length / 2] ^= 1;
        Path bitten = Files.write(memory.resolve("bitten.backup"), bytes);
        Path cut = Files.write(memory.resolve("cut.backup"), Arrays.copyOf(bytes, bytes.length / 3));
        try (TestDatabase empty = TestDatabase.createEmpty()) {
            assertThat(BackupScript.run(empty, "restore", bitten)).contains("damaged");
            assertThat(BackupScript.run(empty, "restore", cut)).contains("cut off");
            assertThat(BackupScript.run(empty, "restore", file))
                    .contains("every original and every report has the digest");
            try (RunningRovek elsewhere = RunningRovek.startOn(empty, "--rovek.first-administrator.name=")) {
                Caller there = Caller.signedIn(elsewhere.address(), "technician", "marrowdale-demo");
                assertThat(verdicts(there)).isEqualTo(verdicts(caller));
                String everyRow = "/api/plant/export?format=csv";
                assertThat(there.get(everyRow).text())
                        .isEqualTo(caller.get(everyRow).text());
                assertThat(there.get("/api/certificates").ok())
                        .isEqualTo(caller.get("/api/certificates").ok());
                for (JsonNode certificate : there.get("/api/certificates").ok()) {
                    if (certificate.get("state").asString().equals("ISSUED")) {
                        assertThat(there.get("/api/certificates/"
                                                + certificate.get("id").asString() + "/proof")
                                        .ok()
                                        .get("unchanged")
                                        .asBoolean())
                                .isTrue();
                    }
                }
                for (JsonNode check : nodes(there, "CHECK")) {
                    String trend = "/api/checks/" + check.get("id").asString() + "/trend";
                    assertThat(there.get(trend).text())
                            .as("each verdict of each reading")
                            .isEqualTo(caller.get(trend).text());
                }
                assertThat(count(
                                elsewhere,
                                "original o WHERE sha256 = (SELECT encode(sha256(string_agg(bytes, '' "
                                        + "ORDER BY first_byte)), 'hex') FROM original_piece WHERE original_id = "
                                        + "o.id)"))
                        .isEqualTo(25);
            }
        }
    }

    private static Map<String, String> verdicts(Caller caller) {
        Map<String, String> byNode = new SmallPlant(caller)
                .rows().stream()
                        .map(row -> row.get("standing"))
                        .collect(Collectors.toMap(
                                standing -> standing.get("nodeId").asString(),
                                standing -> standing.get("worst").asString()));
        return nodes(caller, "ASSET").stream()
                .collect(Collectors.toMap(
                        node -> node.get("tag").asString(),
                        node -> byNode.get(node.get("id").asString())));
    }
}
