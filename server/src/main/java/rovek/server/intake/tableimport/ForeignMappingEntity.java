package rovek.server.intake.tableimport;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "foreign_mapping")
class ForeignMappingEntity {

    /** The headings it was made for. */
    @Id
    String signature;

    /** As JSON. */
    String mapping;

    Instant rememberedAt;
    String rememberedBy;
}
