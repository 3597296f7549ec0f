package rovek.server.rounds.route;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.records.Turns;

/** Why a stop may be skipped, in the order it is offered; goes along with every route that is loaded. */
@Service
public class SkipReasons {

    private static final int LONGEST = 100;
    private static final int MOST = 30;

    private final SkipReasonRepository reasons;
    private final Turns turns;
    private final AuditTrail audit;

    SkipReasons(SkipReasonRepository reasons, Turns turns, AuditTrail audit) {
        this.reasons = reasons;
        this.turns = turns;
        this.audit = audit;
    }

    @Transactional(readOnly = true)
    public List<String> list() {
        return reasons.inOrder();
    }

    @Transactional
    public List<String> put(List<String> named) {
        List<String> wanted = named.stream()
                .map(String::strip)
                .filter(reason -> !reason.isEmpty())
                .distinct()
                .toList();
        if (wanted.size() > MOST || wanted.stream().anyMatch(reason -> reason.length() > LONGEST)) {
            throw new DomainProblem.Invalid(
                    "reasons", Sentence.of("rounds.skipReasons", "most", MOST, "longest", LONGEST));
        }
        // Two who save at once come one after the other.
        turns.take(Turns.Turn.CHANGE_SKIP_REASONS);
        List<String> before = new ArrayList<>(list());
        if (!before.equals(wanted)) {
            reasons.removeAll();
            for (int place = 0; place < wanted.size(); place++) {
                SkipReasonEntity reason = new SkipReasonEntity();
                reason.place = place;
                reason.reason = wanted.get(place);
                reasons.add(reason);
            }
            audit.note("change", "skip reasons", "all", before, wanted);
        }
        return wanted;
    }
}
