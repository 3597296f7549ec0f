package rovek.server.plant.event;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PlantEventRepository extends Repository<PlantEventEntity, UUID> {

    @Query("SELECT e FROM PlantEventEntity e WHERE e.nodeId IN :nodes AND NOT e.removed ORDER BY e.at, e.notedAt")
    List<PlantEventEntity> of(Collection<UUID> nodes);

    Optional<PlantEventEntity> findById(UUID id);

    PlantEventEntity saveAndFlush(PlantEventEntity event);
}
