package rovek.server.rounds.route;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface RouteLoadRepository extends Repository<RouteLoadEntity, UUID>, Adding<RouteLoadEntity> {

    /** The last that was loaded onto each instrument. */
    @Query("""
            SELECT l FROM RouteLoadEntity l WHERE NOT EXISTS (SELECT 1 FROM RouteLoadEntity later
                WHERE later.instrumentId = l.instrumentId AND (later.at > l.at OR later.at = l.at AND later.id > l.id))
            ORDER BY l.instrumentId""")
    List<RouteLoadEntity> onInstruments();
}
