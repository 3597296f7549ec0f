package rovek.server.instruments.sensor;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface SensorRepository extends Repository<SensorEntity, UUID> {

    SensorEntity saveAndFlush(SensorEntity sensor);

    Optional<SensorEntity> findById(UUID id);

    Optional<SensorEntity> findByTag(String tag);

    List<SensorEntity> findAllByOrderByTag();

    /** In SQL: Hibernate does not know transactions' numbers. */
    @Query(
            value = "SELECT EXISTS (SELECT 1 FROM sensor WHERE changed_by >= CAST(:horizon AS xid8))",
            nativeQuery = true)
    boolean isAnyChangedSince(String horizon);
}
