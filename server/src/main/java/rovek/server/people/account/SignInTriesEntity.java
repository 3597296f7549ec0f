package rovek.server.people.account;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** How often somebody failed to sign in, by what tries are counted by. */
@Entity
@Table(name = "sign_in_throttle")
class SignInTriesEntity {

    @Id
    @Column(name = "key")
    String countedBy;

    int failures;
    Instant lastFailureAt;

    /** Whether the trail tells of the present wait already. */
    boolean told;
}
