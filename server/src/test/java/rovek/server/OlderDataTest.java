package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rovek.link.Sha256;
import tools.jackson.databind.JsonNode;

/**
 * What an older Rovek kept is kept by this one. {@code older/schema-29.backup} was made by {@code ./rovek backup} at
 * the 29th step of the schema, and {@code schema-29.txt} is what that server told of it: each verdict, each digest.
 */
class OlderDataTest {

    @TempDir
    Path folder;

    @Test
    void everyVerdictAndEveryDigestIsAsItWas() throws Exception {
        Path backup = folder.resolve("older.backup");
        try (InputStream kept = getClass().getResourceAsStream("older/schema-29.backup")) {
            Files.copy(kept, backup);
        }
        String told = new String(
                getClass().getResourceAsStream("older/schema-29.txt").readAllBytes(), StandardCharsets.UTF_8);
        try (TestDatabase empty = TestDatabase.createEmpty()) {
            assertThat(BackupScript.run(empty, "restore", backup))
                    .contains("every original and every report has the digest");
            try (RunningRovek rovek = RunningRovek.startOn(empty)) {
                Caller caller = Caller.signedIn(rovek);
                assertThat(told(caller)).isEqualTo(told);
                assertThat(one(
                                rovek,
                                "SELECT count(*) FROM original o WHERE size <> (SELECT "
                                        + "sum(length(bytes)) FROM original_piece WHERE original_id = o.id)"))
                        .isZero();
                assertThat(one(
                                rovek,
                                "SELECT count(*) FROM original_piece p WHERE NOT EXISTS (SELECT 1 "
                                        + "FROM original WHERE id = p.original_id)"))
                        .as("of a transfer left half-way")
                        .isEqualTo(1);
            }
        }
    }

    private static long one(RunningRovek rovek, String query) throws SQLException {
        try (var db = rovek.database().connect();
                var statement = db.createStatement();
                var rows = statement.executeQuery(query)) {
            rows.next();
            return rows.getLong(1);
        }
    }

    /** All that must never change, a line each. */
    static String told(Caller caller) {
        List<String> lines = new ArrayList<>();
        for (JsonNode visit : caller.get("/api/visits").ok()) {
            JsonNode sheet =
                    caller.get("/api/visits/" + visit.get("id").asString()).ok();
            lines.add("visit %s %s"
                    .formatted(sheet.get("id").asString(), sheet.get("title").asString()));
            sheet.get("rows")
                    .forEach(row -> lines.add("row %s %s %s %s"
                            .formatted(
                                    row.get("readingId").asString(""),
                                    row.get("verdict").asString(""),
                                    row.get("value").asString(""),
                                    row.get("progress").asString(""))));
        }
        for (JsonNode instrument : caller.get("/api/instruments").ok()) {
            for (JsonNode original : caller.get(
                            "/api/instruments/" + instrument.get("id").asString() + "/originals")
                    .ok()) {
                String id = original.get("id").asString();
                lines.add("original %s %s %d new %d"
                        .formatted(
                                id,
                                Sha256.of(caller.get("/api/originals/" + id + "/file")
                                        .bytes()),
                                original.get("size").asLong(),
                                original.get("newReadings").asInt()));
                assertThat(lines.get(lines.size() - 1))
                        .contains(original.get("sha256").asString());
            }
        }
        for (JsonNode certificate : caller.get("/api/certificates").ok()) {
            String path = "/api/certificates/" + certificate.get("id").asString();
            lines.add("certificate %s %s %s %s"
                    .formatted(
                            certificate.get("number").asString(""),
                            certificate.get("state").asString(),
                            Sha256.of(caller.get(path + "/pdf").bytes()),
                            caller.get(path + "/proof").ok().get("unchanged").asBoolean()));
        }
        new SmallPlant(caller)
                .rows()
                .forEach(row -> lines.add("stands %s %s"
                        .formatted(
                                row.get("node").get("id").asString(),
                                row.get("standing").get("worst").asString(""))));
        return String.join("\n", lines) + "\n";
    }
}
