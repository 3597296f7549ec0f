package rovek.server.plant.tree;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PlantChangeRepository extends Repository<PlantChangeEntity, UUID> {

    PlantChangeEntity save(PlantChangeEntity change);

    void flush();

    Optional<PlantChangeEntity> findById(UUID id);

    List<PlantChangeEntity> findAllByOrderByAtDesc(Limit limit);

    @Query("""
            SELECT c FROM PlantChangeEntity c JOIN TouchedNodeEntity n ON n.changeId = c.id
            WHERE n.nodeId = :node ORDER BY c.at DESC""")
    List<PlantChangeEntity> ofNode(UUID node, Limit most);
}
