package rovek.server.plant.template;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

@Entity
@Immutable
@Table(name = "plant_template_revision")
@IdClass(TemplateRevisionEntity.Key.class)
class TemplateRevisionEntity {

    @Id
    UUID templateId;

    @Id
    int revision;

    /** As JSON. */
    String parts;

    Instant at;
    String actor;

    record Key(UUID templateId, int revision) {}
}
