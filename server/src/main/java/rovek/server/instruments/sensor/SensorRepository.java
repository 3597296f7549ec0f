package rovek.server.instruments.sensor;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface SensorRepository extends Repository<SensorEntity, UUID> {

    SensorEntity saveAndFlush(SensorEntity sensor);

    Optional<SensorEntity> findById(UUID id);

    Optional<SensorEntity> findByTag(String tag);

    List<SensorEntity> findAllByOrderByTag();
}
