package rovek.server.instruments.setup;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface SetupRevisionRepository
        extends Repository<SetupRevisionEntity, SetupRevisionEntity.Key>, Adding<SetupRevisionEntity> {

    List<SetupRevisionEntity> findBySetupIdOrderByRevisionDesc(UUID setupId);
}
