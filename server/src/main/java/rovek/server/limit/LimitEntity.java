package rovek.server.limit;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.io.Serializable;
import java.util.UUID;

@Entity
@Table(name = "limit_rule")
@IdClass(LimitEntity.Key.class)
class LimitEntity {

    /** One check, one of its results. */
    record Key(UUID checkId, String resultId) implements Serializable {}

    @Id
    UUID checkId;

    @Id
    String resultId;

    String unit;
    Double watch;
    Double fail;

    @Version
    Integer version;
}
