package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What was corrected before things were called otherwise can still be undone: its states say so in today's words. */
class OlderCorrectionsTest {

    private static final String OVERRIDE = "{\"verdict\": \"PASS\", \"because\": \"overruled: the \\\"valve\\\"\"}";

    @Test
    void keptStatesAndReadingsAreInTodaysWords() throws SQLException {
        try (TestDatabase old = TestDatabase.createAt("35");
                var db = old.connect();
                Statement statement = db.createStatement()) {
            statement.execute(
                    "INSERT INTO mending VALUES ('00000000-0000-0000-0000-000000000001', now(), 'anna', 'Moved')");
            state(
                    statement,
                    1,
                    "READING",
                    "{\"chosen\": false, \"overruled\": null}",
                    "{\"chosen\": false, \"overruled\": " + OVERRIDE + "}");
            state(statement, 2, "READING", "{\"chosen\": true}", "{\"chosen\": false}");
            state(statement, 3, "VISIT", "{\"note\": \"overruled\"}", "{\"overruled\": 1}");
            old.migrateToTheNewest();
            assertThat(rows(
                            statement,
                            "SELECT before::jsonb || jsonb_build_object('after', after::jsonb) "
                                    + "FROM correction_state ORDER BY subject_id"))
                    .containsExactly(
                            "{\"after\": {\"chosen\": false, \"overridden\": {\"because\": "
                                    + "\"overruled: the \\\"valve\\\"\", \"verdict\": \"PASS\"}}, "
                                    + "\"chosen\": false, \"overridden\": null}",
                            "{\"after\": {\"chosen\": false}, \"chosen\": true}",
                            "{\"note\": \"overruled\", \"after\": {\"overruled\": 1}}");
            assertThat(rows(statement, "SELECT sentence FROM correction")).containsExactly("Moved");
        }
    }

    private static void state(Statement statement, int subject, String kind, String before, String after)
            throws SQLException {
        statement.execute("""
                INSERT INTO mending_state (mending_id, kind, subject_id, visit_id, before, after)
                VALUES ('00000000-0000-0000-0000-000000000001', '%s', '00000000-0000-0000-0000-00000000000%d',
                    '00000000-0000-0000-0000-000000000009', '%s', '%s')""".formatted(kind, subject, before, after));
    }

    private static List<String> rows(Statement statement, String query) throws SQLException {
        List<String> rows = new ArrayList<>();
        try (ResultSet found = statement.executeQuery(query)) {
            while (found.next()) {
                rows.add(found.getString(1));
            }
        }
        return rows;
    }
}
