package rovek.server.rounds.route;

import java.util.ArrayList;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;

/** Why a stop may be skipped, in the order it is offered; goes along with every route that is loaded. */
@Service
public class SkipReasons {

    private static final int LONGEST = 100;
    private static final int MOST = 30;

    private final JdbcClient db;
    private final AuditTrail audit;

    SkipReasons(JdbcClient db, AuditTrail audit) {
        this.db = db;
        this.audit = audit;
    }

    @Transactional(readOnly = true)
    public List<String> list() {
        return db.sql("SELECT reason FROM skip_reason ORDER BY place")
                .query(String.class)
                .list();
    }

    @Transactional
    public List<String> put(List<String> reasons) {
        List<String> wanted = reasons.stream()
                .map(String::strip)
                .filter(reason -> !reason.isEmpty())
                .distinct()
                .toList();
        if (wanted.size() > MOST || wanted.stream().anyMatch(reason -> reason.length() > LONGEST)) {
            throw new DomainProblem.Invalid(
                    "reasons", "There are up to %d reasons of up to %d characters each.".formatted(MOST, LONGEST));
        }
        // Two who save at once come one after the other.
        db.sql("LOCK TABLE skip_reason IN EXCLUSIVE MODE").update();
        List<String> before = new ArrayList<>(list());
        if (!before.equals(wanted)) {
            db.sql("DELETE FROM skip_reason").update();
            for (int place = 0; place < wanted.size(); place++) {
                db.sql("INSERT INTO skip_reason VALUES (?, ?)")
                        .param(place)
                        .param(wanted.get(place))
                        .update();
            }
            audit.note("change", "skip reasons", "all", before, wanted);
        }
        return wanted;
    }
}
