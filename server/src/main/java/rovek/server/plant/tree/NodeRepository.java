package rovek.server.plant.tree;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface NodeRepository extends Repository<NodeEntity, UUID> {

    @Query("SELECT n FROM NodeEntity n WHERE n.id IN :ids AND n.removal IS NOT NULL")
    List<NodeEntity> removed(Collection<UUID> ids);

    @Query("SELECT n.id FROM NodeEntity n WHERE n.id IN :ids")
    List<UUID> known(Collection<UUID> ids);

    boolean existsById(UUID id);

    @Modifying(flushAutomatically = true)
    @Query("UPDATE NodeEntity n SET n.removal = :change WHERE n.id IN :ids")
    int remove(UUID change, Collection<UUID> ids);
}
