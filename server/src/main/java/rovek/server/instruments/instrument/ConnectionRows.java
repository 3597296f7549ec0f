package rovek.server.instruments.instrument;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The named ways to instruments, as they are stored. */
@Service
class ConnectionRows {

    private static final String SELECT =
            "SELECT id, name, kind, place, number, pass_code, instrument_id FROM connection ";

    private final JdbcClient db;
    private final Clock clock;

    ConnectionRows(JdbcClient db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    /**
     * A way to an instrument.
     *
     * @param passCode sealed
     * @param instrumentId who answered there last
     */
    record Row(UUID id, String name, Reach reach, String passCode, Optional<UUID> instrumentId) {}

    @Transactional(readOnly = true)
    public List<Row> all() {
        return db.sql(SELECT + "ORDER BY name, place")
                .query(ConnectionRows::row)
                .list();
    }

    @Transactional(readOnly = true)
    public Optional<Row> find(UUID id) {
        return db.sql(SELECT + "WHERE id = ?")
                .param(id)
                .query(ConnectionRows::row)
                .optional();
    }

    @Transactional(readOnly = true)
    public Optional<Row> at(Reach reach) {
        return db.sql(SELECT + "WHERE kind = ? AND place = ? AND number = ?")
                .params(reach.kind().name(), reach.place(), reach.number())
                .query(ConnectionRows::row)
                .optional();
    }

    /** The ways by which an instrument answered, the latest first. */
    @Transactional(readOnly = true)
    public List<Row> to(UUID instrument) {
        return db.sql(SELECT + "WHERE instrument_id = ? ORDER BY answered_at DESC NULLS LAST")
                .param(instrument)
                .query(ConnectionRows::row)
                .list();
    }

    private static Row row(ResultSet row, int n) throws SQLException {
        return new Row(
                row.getObject("id", UUID.class),
                row.getString("name"),
                new Reach(Reach.Kind.valueOf(row.getString("kind")), row.getString("place"), row.getInt("number")),
                row.getString("pass_code"),
                Optional.ofNullable(row.getObject("instrument_id", UUID.class)));
    }

    @Transactional
    public void put(Row row) {
        db.sql("""
                INSERT INTO connection (id, name, kind, place, number, pass_code) VALUES (:id, :name, :kind, :place, :number, :code)
                ON CONFLICT (id) DO UPDATE SET name = :name, kind = :kind, place = :place, number = :number, pass_code = :code""")
                .param("id", row.id())
                .param("name", row.name())
                .param("kind", row.reach().kind().name())
                .param("place", row.reach().place())
                .param("number", row.reach().number())
                .param("code", row.passCode())
                .update();
    }

    @Transactional
    public void noteAnswer(UUID id, UUID instrument) {
        db.sql("UPDATE connection SET instrument_id = ?, answered_at = ? WHERE id = ?")
                .params(instrument, clock.instant().atOffset(ZoneOffset.UTC), id)
                .update();
    }

    @Transactional
    public void remove(UUID id) {
        db.sql("DELETE FROM connection WHERE id = ?").param(id).update();
    }
}
