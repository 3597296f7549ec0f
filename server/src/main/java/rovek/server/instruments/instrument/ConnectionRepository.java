package rovek.server.instruments.instrument;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ConnectionRepository extends Repository<ConnectionEntity, UUID> {

    List<ConnectionEntity> findAllByOrderByNameAscPlaceAsc();

    Optional<ConnectionEntity> findById(UUID id);

    Optional<ConnectionEntity> findByKindAndPlaceAndNumber(Reach.Kind kind, String place, int number);

    @Query("SELECT c FROM ConnectionEntity c WHERE c.instrumentId = :instrument ORDER BY c.answeredAt DESC NULLS LAST")
    List<ConnectionEntity> to(UUID instrument);

    ConnectionEntity save(ConnectionEntity connection);

    void deleteById(UUID id);
}
