package rovek.server.plant.template;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Repository;
import rovek.core.plant.template.Template;
import rovek.core.plant.template.TemplatePart;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Templates in the database, every revision of them. */
@Repository
class TemplateRows {

    private static final TypeReference<List<TemplatePart>> PARTS = new TypeReference<>() {};

    private final TemplateRepository templates;
    private final TemplateRevisionRepository revisions;
    private final JsonMapper json;

    TemplateRows(TemplateRepository templates, TemplateRevisionRepository revisions, JsonMapper json) {
        this.templates = templates;
        this.revisions = revisions;
        this.json = json;
    }

    List<Template> latest() {
        return templates.latest().stream().map(this::template).toList();
    }

    Optional<Template> find(UUID id, int revision) {
        return templates.find(id, revision).map(this::template);
    }

    private Template template(TemplateRepository.Kept kept) {
        return new Template(kept.id(), kept.name(), kept.revision(), json.readValue(kept.parts(), PARTS));
    }

    /** Revision of the newest; empty where there is no such template. Held until the transaction ends. */
    Optional<Integer> lockLatest(UUID id) {
        return templates.locked(id).map(template -> template.latest);
    }

    boolean isNameTaken(String name) {
        return templates.existsByName(name);
    }

    /** Adds a template, or its next revision. A shipped one that is there already stays as it is. */
    void save(Template template, boolean shipped, Instant at, String actor) {
        int fresh = templates.addUnlessThere(template.id(), template.name(), template.revision(), shipped);
        if (fresh == 0 && shipped) {
            return;
        }
        templates.setLatest(template.id(), template.revision());
        TemplateRevisionEntity revision = new TemplateRevisionEntity();
        revision.templateId = template.id();
        revision.revision = template.revision();
        revision.parts = json.writeValueAsString(template.parts());
        revision.at = at;
        revision.actor = actor;
        revisions.add(revision);
    }
}
