package rovek.server.judging.reading;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;

@Entity
@Table(name = "result")
@IdClass(ResultEntity.Key.class)
class ResultEntity {

    /** The time is part of it because the table is partitioned by year. */
    record Key(UUID readingId, String resultId, Instant takenAt) implements Serializable {}

    @Id
    UUID readingId;

    @Id
    String resultId;

    @Id
    Instant takenAt;

    /** Null while the reading is loose. */
    UUID checkId;

    /** Order among the reading's results as the technique names them; 0 leads. */
    short place;

    double value;
    String unit;

    /** Whether its reading counts: kept here, so that a million values can be followed without looking at each. */
    boolean counts;
}
