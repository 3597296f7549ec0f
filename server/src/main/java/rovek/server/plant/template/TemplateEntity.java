package rovek.server.plant.template;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

@Entity
@Table(name = "plant_template")
class TemplateEntity {

    @Id
    UUID id;

    String name;

    /** Number of the newest revision. */
    int latest;

    boolean shipped;
}
