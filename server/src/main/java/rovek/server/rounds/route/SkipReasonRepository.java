package rovek.server.rounds.route;

import java.util.List;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface SkipReasonRepository extends Repository<SkipReasonEntity, Integer>, Adding<SkipReasonEntity> {

    @Query("SELECT r.reason FROM SkipReasonEntity r ORDER BY r.place")
    List<String> inOrder();

    @Modifying
    @Query("DELETE FROM SkipReasonEntity")
    void removeAll();
}
