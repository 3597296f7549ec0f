package rovek.server.instruments.setup;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface SetupLoadRepository extends Repository<SetupLoadEntity, UUID>, Adding<SetupLoadEntity> {

    /** Of a set-up where nothing was loaded onto the same instrument after it. */
    @Query("""
            SELECT l FROM SetupLoadEntity l WHERE l.setupId = :setup AND NOT EXISTS (SELECT 1 FROM SetupLoadEntity later
                WHERE later.instrumentId = l.instrumentId AND (later.at > l.at OR later.at = l.at AND later.id > l.id))
            ORDER BY l.instrumentId""")
    List<SetupLoadEntity> holding(UUID setup);
}
