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

    @Query(value = """
            SELECT c.* FROM plant_change c JOIN plant_change_node n ON n.change_id = c.id
            WHERE n.node_id = :node ORDER BY c.at DESC LIMIT :most""", nativeQuery = true)
    List<PlantChangeEntity> ofNode(UUID node, int most);
}
