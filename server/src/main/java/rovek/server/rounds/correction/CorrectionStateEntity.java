package rovek.server.rounds.correction;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

/** What a correction made of one reading or visit. */
@Entity
@Immutable
@Table(name = "correction_state")
@IdClass(CorrectionStateEntity.Key.class)
class CorrectionStateEntity {

    enum Kind {
        READING,
        VISIT
    }

    @Id
    UUID correctionId;

    @Id
    UUID subjectId;

    @Enumerated(EnumType.STRING)
    Kind kind;

    /** That what was corrected was of. */
    UUID visitId;

    /** As JSON, likewise {@code after}. */
    String before;

    String after;

    record Key(UUID correctionId, UUID subjectId) {}
}
