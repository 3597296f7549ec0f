package rovek.server.plant;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.repository.Repository;

interface PlantChangeRepository extends Repository<PlantChangeEntity, UUID> {

    PlantChangeEntity save(PlantChangeEntity change);

    Optional<PlantChangeEntity> findById(UUID id);

    List<PlantChangeEntity> findAllByOrderByAtDesc(Limit limit);
}
