package rovek.server.base.records;

import jakarta.persistence.EntityManager;
import java.util.List;
import org.hibernate.Session;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Writes many records at once in the caller's transaction, by Hibernate's session without a memory: nothing stays in
 * the persistence context, and a hundred thousand take no more room than a batch.
 */
@Component
public class ManyRows {

    private static final int ROWS_A_BATCH = 1_000;

    private final EntityManager entities;

    ManyRows(EntityManager entities) {
        this.entities = entities;
    }

    /** Adds records that are not there yet. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void insert(List<?> rows) {
        inOneGo(session -> session.insertMultiple(rows));
    }

    /** Writes records that are there over. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void update(List<?> rows) {
        inOneGo(session -> session.updateMultiple(rows));
    }

    private void inOneGo(java.util.function.Consumer<StatelessSession> work) {
        Session session = entities.unwrap(Session.class);
        // What is still on its way through the other door must be there before rows refer to it.
        session.flush();
        SessionFactory factory = session.getSessionFactory();
        session.doWork(connection -> {
            try (StatelessSession many =
                    factory.withStatelessOptions().connection(connection).openStatelessSession()) {
                many.setJdbcBatchSize(ROWS_A_BATCH);
                work.accept(many);
            }
        });
    }
}
