package rovek.server.rounds.route;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface RouteRepository extends Repository<RouteEntity, UUID> {

    RouteEntity save(RouteEntity route);

    void flush();

    Optional<RouteEntity> findById(UUID id);

    List<RouteEntity> findAllByRemovedFalseOrderByName();

    List<RouteEntity> findAllByRemovedTrueOrderByName();
}
