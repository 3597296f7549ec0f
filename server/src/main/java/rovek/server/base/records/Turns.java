package rovek.server.base.records;

import jakarta.persistence.EntityManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Lets transactions that would each decide on what the other is about to change come one after the other, on all
 * servers. A turn ends with the transaction. Advisory locks are no part of what Hibernate knows.
 */
@Component
public class Turns {

    private static final int FIRST_NUMBER = 7150;

    private final EntityManager entities;

    Turns(EntityManager entities) {
        this.entities = entities;
    }

    /** What is done by one after the other. */
    public enum Turn {
        CHANGE_PLANT,
        CHANGE_ACCOUNTS,
        STORE_READINGS,
        RECALCULATE,
        ADD_INSTRUMENT,
        CHANGE_SKIP_REASONS
    }

    /** Waits for the turn at one of several: who works at another does not wait. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void take(Turn turn, Object which) {
        entities.createNativeQuery(
                        "SELECT 1 FROM (SELECT pg_advisory_xact_lock(:turn, hashtext(:which))) AS locked",
                        Integer.class)
                .setParameter("turn", FIRST_NUMBER + turn.ordinal())
                .setParameter("which", which.toString())
                .getSingleResult();
    }

    /** Waits for the only turn. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void take(Turn turn) {
        take(turn, "");
    }
}
