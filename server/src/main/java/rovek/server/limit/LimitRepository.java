package rovek.server.limit;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface LimitRepository extends Repository<LimitEntity, LimitEntity.Key> {

    LimitEntity save(LimitEntity limit);

    void delete(LimitEntity limit);

    Optional<LimitEntity> findById(LimitEntity.Key key);

    List<LimitEntity> findByCheckIdIn(Collection<UUID> checks);
}
