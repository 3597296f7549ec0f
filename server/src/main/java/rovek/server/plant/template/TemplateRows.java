package rovek.server.plant.template;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rovek.core.plant.template.Template;
import rovek.core.plant.template.TemplatePart;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Templates in the database, every revision of them. */
@Repository
class TemplateRows {

    private static final TypeReference<List<TemplatePart>> PARTS = new TypeReference<>() {};

    private final JdbcClient db;
    private final JsonMapper json;

    TemplateRows(JdbcClient db, JsonMapper json) {
        this.db = db;
        this.json = json;
    }

    List<Template> latest() {
        return db.sql("""
                SELECT t.id, t.name, r.revision, r.parts FROM plant_template t
                JOIN plant_template_revision r ON r.template_id = t.id AND r.revision = t.latest ORDER BY t.name""")
                .query((row, n) -> new Template(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getInt(3),
                        json.readValue(row.getString(4), PARTS)))
                .list();
    }

    Optional<Template> find(UUID id, int revision) {
        return db.sql("""
                SELECT t.id, t.name, r.revision, r.parts FROM plant_template t
                JOIN plant_template_revision r ON r.template_id = t.id AND r.revision = ? WHERE t.id = ?""")
                .param(revision)
                .param(id)
                .query((row, n) -> new Template(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getInt(3),
                        json.readValue(row.getString(4), PARTS)))
                .optional();
    }

    /** Revision of the newest; empty where there is no such template. Held until the transaction ends. */
    Optional<Integer> lockLatest(UUID id) {
        return db.sql("SELECT latest FROM plant_template WHERE id = ? FOR UPDATE")
                .param(id)
                .query(Integer.class)
                .optional();
    }

    boolean isNameTaken(String name) {
        return db.sql("SELECT count(*) FROM plant_template WHERE name = ?")
                        .param(name)
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** Adds a template, or its next revision. A shipped one that is there already stays as it is. */
    void save(Template template, boolean shipped, Instant at, String actor) {
        int fresh = db.sql("INSERT INTO plant_template VALUES (?, ?, ?, ?) ON CONFLICT DO NOTHING")
                .param(template.id())
                .param(template.name())
                .param(template.revision())
                .param(shipped)
                .update();
        if (fresh == 0 && shipped) {
            return;
        }
        db.sql("UPDATE plant_template SET latest = ? WHERE id = ?")
                .param(template.revision())
                .param(template.id())
                .update();
        db.sql("INSERT INTO plant_template_revision VALUES (?, ?, ?, ?, ?)")
                .param(template.id())
                .param(template.revision())
                .param(json.writeValueAsString(template.parts()))
                .param(at.atOffset(ZoneOffset.UTC))
                .param(actor)
                .update();
    }
}
