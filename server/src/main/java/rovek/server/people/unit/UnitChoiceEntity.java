package rovek.server.people.unit;

import jakarta.annotation.Nullable;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;

/** What somebody, or everybody, wants a kind of quantity shown in. */
@Entity
@Table(name = "unit_choice")
@IdClass(UnitChoiceEntity.Key.class)
class UnitChoiceEntity {

    /** The account, the client, or everybody. */
    @Id
    UUID subject;

    @Id
    String kind;

    String unit;

    /** Null where they follow from the number. */
    @Nullable
    Integer decimals;

    record Key(UUID subject, String kind) implements Serializable {}
}
