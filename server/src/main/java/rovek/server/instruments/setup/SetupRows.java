package rovek.server.instruments.setup;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rovek.core.setup.SetupContent;
import rovek.server.instruments.setup.SetupView.SetupHeld;
import rovek.server.instruments.setup.SetupView.SetupRevision;
import tools.jackson.databind.json.JsonMapper;

/** Set-ups in the database. */
@Repository
class SetupRows {

    private static final String LATEST = """
            SELECT s.id, s.name, s.form, s.revision, s.removed, s.version, r.content FROM setup s
            JOIN setup_revision r ON r.setup_id = s.id AND r.revision = s.revision
            """;

    private final JdbcClient db;
    private final JsonMapper json;

    SetupRows(JdbcClient db, JsonMapper json) {
        this.db = db;
        this.json = json;
    }

    /** A set-up in its latest revision. */
    record Row(UUID id, String name, String form, int revision, boolean removed, int version, SetupContent content) {}

    List<Row> list(boolean removed) {
        return db.sql(LATEST + "WHERE s.removed = ? ORDER BY s.name, s.id")
                .param(removed)
                .query(this::row)
                .list();
    }

    Optional<Row> find(UUID id) {
        return db.sql(LATEST + "WHERE s.id = ?").param(id).query(this::row).optional();
    }

    private Row row(ResultSet row, int index) throws SQLException {
        return new Row(
                row.getObject("id", UUID.class),
                row.getString("name"),
                row.getString("form"),
                row.getInt("revision"),
                row.getBoolean("removed"),
                row.getInt("version"),
                json.readValue(row.getString("content"), SetupContent.class));
    }

    void add(Row first, Instant at, String actor) {
        db.sql("INSERT INTO setup (id, name, form, revision, version) VALUES (?, ?, ?, ?, ?)")
                .param(first.id())
                .param(first.name())
                .param(first.form())
                .param(first.revision())
                .param(first.version())
                .update();
        addRevision(first, at, actor);
    }

    void addRevision(Row row, Instant at, String actor) {
        db.sql("INSERT INTO setup_revision VALUES (?, ?, ?, ?, ?)")
                .param(row.id())
                .param(row.revision())
                .param(json.writeValueAsString(row.content()))
                .param(at.atOffset(ZoneOffset.UTC))
                .param(actor)
                .update();
    }

    /** @return whether it still was of the version before */
    boolean change(Row row) {
        return db.sql("UPDATE setup SET name = ?, revision = ?, removed = ?, version = ? WHERE id = ? AND version = ?")
                        .param(row.name())
                        .param(row.revision())
                        .param(row.removed())
                        .param(row.version())
                        .param(row.id())
                        .param(row.version() - 1)
                        .update()
                == 1;
    }

    List<SetupRevision> revisions(UUID id) {
        return db.sql(
                        "SELECT revision, content, at, actor FROM setup_revision WHERE setup_id = ? ORDER BY revision DESC")
                .param(id)
                .query((row, index) -> {
                    SetupContent content = json.readValue(row.getString("content"), SetupContent.class);
                    return new SetupRevision(
                            row.getInt("revision"),
                            row.getObject("at", OffsetDateTime.class)
                                    .toInstant()
                                    .toString(),
                            row.getString("actor"),
                            content.values(),
                            content.rows());
                })
                .list();
    }

    void noteLoaded(UUID id, int revision, UUID instrument, Instant at, String actor) {
        db.sql("INSERT INTO setup_load VALUES (?, ?, ?, ?, ?, ?)")
                .param(UUID.randomUUID())
                .param(id)
                .param(revision)
                .param(instrument)
                .param(at.atOffset(ZoneOffset.UTC))
                .param(actor)
                .update();
    }

    /** The instruments that hold a set-up: it is the last that was loaded onto them. */
    List<SetupHeld> holding(UUID id) {
        return db.sql("""
                SELECT * FROM (SELECT DISTINCT ON (instrument_id) setup_id, instrument_id, revision, at, actor
                    FROM setup_load ORDER BY instrument_id, at DESC) last WHERE setup_id = ?""")
                .param(id)
                .query((row, index) -> new SetupHeld(
                        row.getObject("instrument_id", UUID.class),
                        row.getInt("revision"),
                        row.getObject("at", OffsetDateTime.class).toInstant().toString(),
                        row.getString("actor")))
                .list();
    }
}
