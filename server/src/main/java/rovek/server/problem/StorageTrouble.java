package rovek.server.problem;

import java.sql.SQLException;
import java.util.Optional;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.NonTransientDataAccessResourceException;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.transaction.CannotCreateTransactionException;

/** What went wrong in keeping things, where a person can do something about it. */
public enum StorageTrouble {
    /** Nobody can write any more. */
    DISK_FULL("disk-full", "The server's disk is full: nothing of this step was stored, and what was stored before is whole. Make room on the server, then try again."),

    /** Nobody answers. */
    OUT_OF_REACH("database-out-of-reach", "The database does not answer: nothing of this step was stored, and what was stored before is whole. Try again when it is back.");

    private final String code;
    private final String sentence;

    StorageTrouble(String code, String sentence) {
        this.code = code;
        this.sentence = sentence;
    }

    public String code() {
        return code;
    }

    /** 507 or 503. */
    HttpStatus status() {
        return this == DISK_FULL ? HttpStatus.INSUFFICIENT_STORAGE : HttpStatus.SERVICE_UNAVAILABLE;
    }

    public String sentence() {
        return sentence;
    }

    /** What an exception tells by the SQL states of its causes (PostgreSQL, appendix A); empty where it is no trouble of this kind. */
    public static Optional<StorageTrouble> of(Throwable thrown) {
        for (Throwable cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql && sql.getSQLState() != null) {
                String state = sql.getSQLState();
                if (state.equals("53100")) {
                    return Optional.of(DISK_FULL);
                }
                if (state.startsWith("08") || state.startsWith("57P")) {
                    return Optional.of(OUT_OF_REACH);
                }
            }
            if (cause instanceof CannotGetJdbcConnectionException
                    || cause instanceof CannotCreateTransactionException
                    || cause instanceof DataAccessResourceFailureException
                    || cause instanceof NonTransientDataAccessResourceException
                    // what is left of a connection that broke: it cannot even be rolled back
                    || cause instanceof org.hibernate.TransactionException) {
                return Optional.of(diskFullBeneath(cause) ? DISK_FULL : OUT_OF_REACH);
            }
            if (cause == cause.getCause()) {
                break;
            }
        }
        return Optional.empty();
    }

    private static boolean diskFullBeneath(Throwable thrown) {
        for (Throwable cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql && "53100".equals(sql.getSQLState())) {
                return true;
            }
        }
        return false;
    }
}
