package rovek.server.people.account;

import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** Ends sessions in the transaction of what ends them, which Spring Session's own repository cannot. */
interface SessionRows extends Repository<SessionEntity, String> {

    @Modifying
    @Query("DELETE FROM SessionEntity s WHERE s.principalName = :name")
    void endAllOf(String name);

    @Modifying
    @Query("DELETE FROM SessionEntity s WHERE s.principalName = :name AND s.sessionId <> :sessionId")
    void endOthersOf(String name, String sessionId);
}
