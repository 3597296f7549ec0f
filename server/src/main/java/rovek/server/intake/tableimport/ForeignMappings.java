package rovek.server.intake.tableimport;

import java.time.Clock;
import java.time.ZoneOffset;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.base.audit.AuditTrail;
import tools.jackson.databind.json.JsonMapper;

/** Mappings by the headings they were made for. */
@Repository
class ForeignMappings {

    private final JdbcClient db;
    private final JsonMapper json;
    private final Clock clock;

    ForeignMappings(JdbcClient db, JsonMapper json, Clock clock) {
        this.db = db;
        this.json = json;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Optional<ForeignDraft> of(String signature) {
        return db.sql("SELECT mapping FROM foreign_mapping WHERE signature = ?")
                .param(signature)
                .query((row, n) -> json.readValue(row.getString(1), ForeignDraft.class))
                .optional();
    }

    @Transactional
    void remember(String signature, ForeignDraft draft) {
        db.sql("""
                INSERT INTO foreign_mapping VALUES (?, ?, ?, ?) ON CONFLICT (signature)
                DO UPDATE SET mapping = excluded.mapping, remembered_at = excluded.remembered_at, remembered_by = excluded.remembered_by""")
                .params(
                        signature,
                        json.writeValueAsString(draft),
                        clock.instant().atOffset(ZoneOffset.UTC),
                        AuditTrail.actor())
                .update();
    }
}
