package rovek.server.people.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** Somebody's session, as Spring Session keeps it. */
@Entity
@Immutable
@Table(name = "spring_session")
class SessionEntity {

    @Id
    @JdbcTypeCode(SqlTypes.CHAR)
    String primaryId;

    @JdbcTypeCode(SqlTypes.CHAR)
    String sessionId;

    /** Sign-in name of whose it is. */
    String principalName;
}
