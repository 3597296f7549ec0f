package rovek.server.instruments.instrument;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** That somebody has an instrument in his hands. */
@Entity
@Table(name = "instrument_claim")
class InstrumentClaimEntity {

    @Id
    UUID instrumentId;

    /** No two are alike. */
    UUID holder;

    /** What is done, e.g. "reading back for anna". */
    String purpose;

    /** When it runs out if it is not renewed. */
    @Column(name = "until")
    Instant heldUntil;

    /** Of the manner in which it is held: a higher one is given way to. */
    @Column(name = "rank")
    short manner;

    /** Whether somebody waits for it. */
    boolean wanted;
}
