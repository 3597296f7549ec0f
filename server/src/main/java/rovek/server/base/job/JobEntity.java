package rovek.server.base.job;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

@Entity
@Table(name = "job")
class JobEntity {

    @Id
    UUID id;

    String kind;
    String title;

    @Enumerated(EnumType.STRING)
    JobView.State state;

    long done;
    long total;
    String sentence;

    /** What is worked on; null for nothing in particular. */
    UUID subjectId;

    /** Sign-in name. */
    String actor;

    boolean stopRequested;
    Instant startedAt;

    /** When the server that does it was last heard of. */
    Instant heardAt;
}
