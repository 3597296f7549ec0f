package rovek.server.base.records;

import jakarta.persistence.EntityManager;
import org.springframework.transaction.annotation.Transactional;

@Transactional
class AddingImpl<T> implements Adding<T> {

    private final EntityManager entities;

    AddingImpl(EntityManager entities) {
        this.entities = entities;
    }

    @Override
    public void add(T row) {
        entities.persist(row);
    }
}
