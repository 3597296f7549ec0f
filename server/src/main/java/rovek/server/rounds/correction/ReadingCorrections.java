package rovek.server.rounds.correction;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.limit.Verdict;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.judging.reading.FilledColumn;
import rovek.server.judging.reading.ReadingState;
import rovek.server.judging.reading.ReadingStates;
import rovek.server.judging.reading.VerdictOverride;
import rovek.server.rounds.correction.Corrections.Corrected;
import rovek.server.rounds.correction.Corrections.Wanted;

/** What is done to readings where they are: placed on a check, discarded, restored, columns filled. */
@Service
public class ReadingCorrections {

    private final Corrections corrections;
    private final ReadingStates readings;
    private final Clock clock;

    ReadingCorrections(Corrections corrections, ReadingStates readings, Clock clock) {
        this.corrections = corrections;
        this.readings = readings;
        this.clock = clock;
    }

    /** Where a reading goes; without a check it is loose again. */
    public record PlacementOf(UUID readingId, @Nullable UUID checkId) {}

    /** All of them or none; the same check may be given back and forth, which swaps two. */
    @Transactional
    public Corrected place(List<PlacementOf> placements) {
        Map<UUID, ReadingState> states =
                readings.of(placements.stream().map(PlacementOf::readingId).toList());
        placements.forEach(one -> states.computeIfPresent(one.readingId(), (id, state) -> state.on(one.checkId())));
        boolean off = placements.stream().allMatch(one -> one.checkId() == null);
        return corrections.commit(Wanted.of(Sentence.of("rounds.correctionPlaced", "off", off ? "yes" : "no"), states));
    }

    /** @param reason why they do not count; blank takes discarded ones back */
    @Transactional
    public Corrected discard(List<UUID> ids, String reason) {
        Map<UUID, ReadingState> states = readings.of(ids);
        String said = reason.isBlank() ? null : reason.strip();
        states.replaceAll((id, state) -> state.discarded(said));
        return corrections.commit(
                Wanted.of(Sentence.of("rounds.correctionDiscarded", "back", said == null ? "yes" : "no"), states));
    }

    /**
     * Has a reading count at its stop in place of whichever counts there now.
     *
     * @throws DomainProblem.Conflict where it is loose or discarded
     */
    @Transactional
    public Corrected choose(UUID id) {
        ReadingState wanted = readings.of(List.of(id)).get(id);
        if (wanted.checkId() == null || wanted.discardedBecause() != null) {
            throw new DomainProblem.Conflict(
                    "does-not-count",
                    wanted.checkId() == null
                            ? Sentence.of("rounds.looseReading")
                            : Sentence.of("rounds.discardedReading"));
        }
        Map<UUID, ReadingState> states = readings.of(readings.ofVisit(wanted.visitId()));
        states.values().removeIf(state -> !wanted.checkId().equals(state.checkId()));
        states.replaceAll((one, state) -> state.chosen(one.equals(id)));
        return corrections.commit(Wanted.of(Sentence.of("rounds.correctionChosen"), states));
    }

    /**
     * Fills one column for many readings.
     *
     * @param value blank takes what was there away
     * @throws DomainProblem.Invalid where the value does not suit the column
     */
    @Transactional
    public Corrected fill(List<UUID> ids, FilledColumn column, String value) {
        column.fault(value.strip()).ifPresent(fault -> {
            throw new DomainProblem.Invalid("value", fault);
        });
        Map<UUID, ReadingState> states = readings.of(ids);
        states.replaceAll((id, state) -> {
            Map<String, String> filled = new LinkedHashMap<>(state.filled());
            filled.put(column.name(), value.strip());
            filled.values().removeIf(String::isBlank);
            return state.filledWith(filled);
        });
        return corrections.commit(Wanted.of(Sentence.of("rounds.correctionFilled", "column", column.called()), states));
    }

    /**
     * Puts a person's verdict in the place of the computed one.
     *
     * @param verdict null where the computed one counts again
     * @throws DomainProblem.Invalid where no reason is given
     */
    @Transactional
    public Corrected override(List<UUID> ids, @Nullable Verdict verdict, @Nullable String reason) {
        String said = reason == null ? "" : reason.strip();
        if (verdict != null && said.isEmpty()) {
            throw new DomainProblem.Invalid("reason", Sentence.of("rounds.whyOverridden"));
        }
        if (verdict == Verdict.NOT_JUDGED) {
            throw new DomainProblem.Invalid("verdict", Sentence.of("rounds.overrideVerdict"));
        }
        Map<UUID, ReadingState> states = readings.of(ids);
        VerdictOverride verdictOverride =
                verdict == null ? null : new VerdictOverride(verdict, said, AuditTrail.actor(), clock.instant());
        states.replaceAll((id, state) -> state.overriddenBy(verdictOverride));
        return corrections.commit(Wanted.of(
                Sentence.of("rounds.correctionOverridden", "computed", verdict == null ? "yes" : "no"), states));
    }
}
