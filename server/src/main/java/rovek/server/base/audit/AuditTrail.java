package rovek.server.base.audit;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Sentence;
import tools.jackson.databind.json.JsonMapper;

/** Who changed what, when, from what to what. Written in the transaction of the change itself, or not at all. */
@Service
public class AuditTrail {

    private static final int MOST_SHOWN = 200;

    private final AuditEntries entries;
    private final JsonMapper json;
    private final Clock clock;

    AuditTrail(AuditEntries entries, JsonMapper json, Clock clock) {
        this.entries = entries;
        this.json = json;
        this.clock = clock;
    }

    /** Who acts before anybody has signed in, as it is kept. */
    static final String NOBODY = "not signed in";

    /** A line of the trail. */
    public record Line(
            String at,
            Sentence actor,
            Sentence action,
            String subjectType,
            Sentence subject,
            String subjectId,
            @Nullable String before,
            @Nullable String after) {}

    /**
     * Notes a change.
     *
     * @param before the record before, null where there was none
     * @param after the record after, null where there is none
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void note(String action, String subjectType, Object subjectId, Object before, Object after) {
        AuditEntry entry = new AuditEntry();
        entry.at = clock.instant();
        entry.actor = actor();
        entry.action = action;
        entry.subjectType = subjectType;
        entry.subjectId = String.valueOf(subjectId);
        entry.before = before == null ? null : json.writeValueAsString(before);
        entry.after = after == null ? null : json.writeValueAsString(after);
        entries.save(entry);
    }

    @Transactional(readOnly = true)
    public List<Line> of(String subjectType, String subjectId) {
        return entries.findBySubjectTypeAndSubjectIdOrderByIdDesc(subjectType, subjectId, Limit.of(MOST_SHOWN)).stream()
                .map(AuditEntry::line)
                .toList();
    }

    @Transactional(readOnly = true)
    public List<Line> latest() {
        return entries.findAllByOrderByIdDesc(Limit.of(MOST_SHOWN)).stream()
                .map(AuditEntry::line)
                .toList();
    }

    /** The name of whoever is signed in, or "Rovek" where the server acts by itself. */
    public static String actor() {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        if (signedIn instanceof AnonymousAuthenticationToken) {
            return NOBODY;
        }
        return signedIn == null ? "Rovek" : signedIn.getName();
    }
}
