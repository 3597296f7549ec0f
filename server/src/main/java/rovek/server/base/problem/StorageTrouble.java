package rovek.server.base.problem;

import java.sql.SQLException;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.hibernate.TransactionException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.NonTransientDataAccessResourceException;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.transaction.CannotCreateTransactionException;
import rovek.core.wording.Sentence;

/** What went wrong in keeping things, where a person can do something about it. */
public enum StorageTrouble {
    /** Nobody can write any more. */
    DISK_FULL("disk-full", "base.diskFull"),

    /** Nobody answers. */
    OUT_OF_REACH("database-out-of-reach", "base.databaseAway");

    private static final String NO_ROOM = "53100";
    private static final int MOST_CAUSES = 50;

    private final String code;
    private final String key;

    StorageTrouble(String code, String key) {
        this.code = code;
        this.key = key;
    }

    public String code() {
        return code;
    }

    /** 507 or 503. */
    HttpStatus status() {
        return this == DISK_FULL ? HttpStatus.INSUFFICIENT_STORAGE : HttpStatus.SERVICE_UNAVAILABLE;
    }

    public Sentence sentence() {
        return Sentence.of(key);
    }

    /**
     * What an exception tells by the SQL states of its causes (PostgreSQL, appendix A); empty where it is no trouble of
     * this kind.
     */
    public static Optional<StorageTrouble> of(Throwable thrown) {
        List<Throwable> causes = Stream.iterate(thrown, Objects::nonNull, Throwable::getCause)
                .limit(MOST_CAUSES)
                .toList();
        if (causes.stream().anyMatch(cause -> sqlState(cause).equals(NO_ROOM))) {
            return Optional.of(DISK_FULL);
        }
        return causes.stream().anyMatch(StorageTrouble::isBrokenConnection)
                ? Optional.of(OUT_OF_REACH)
                : Optional.empty();
    }

    private static String sqlState(Throwable cause) {
        return cause instanceof SQLException sql && sql.getSQLState() != null ? sql.getSQLState() : "";
    }

    private static boolean isBrokenConnection(Throwable cause) {
        String state = sqlState(cause);
        return state.startsWith("08")
                || state.startsWith("57P")
                || cause instanceof CannotGetJdbcConnectionException
                || cause instanceof CannotCreateTransactionException
                || cause instanceof DataAccessResourceFailureException
                || cause instanceof NonTransientDataAccessResourceException
                // what is left of a connection that broke: it cannot even be rolled back
                || cause instanceof TransactionException;
    }
}
