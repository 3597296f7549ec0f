package rovek.server.plant;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface NodeRepository extends Repository<NodeEntity, UUID> {

    NodeEntity save(NodeEntity node);

    void flush();

    Optional<NodeEntity> findById(UUID id);

    Optional<NodeEntity> findByIdAndRemovalIsNull(UUID id);

    List<NodeEntity> findByRemovalIsNullOrderByPlace();

    List<NodeEntity> findByRemoval(UUID removal);

    List<NodeEntity> findByParentIdAndRemovalIsNullOrderByPlace(UUID parentId);

    List<NodeEntity> findByParentIdIsNullAndRemovalIsNullOrderByPlace();

    /** Structure changes one after the other: two moves at once could otherwise make a circle. */
    @Query(value = "SELECT 1 FROM (SELECT pg_advisory_xact_lock(7150)) AS locked", nativeQuery = true)
    int lockStructure();
}
