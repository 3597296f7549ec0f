package rovek.server.follow.standing;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import rovek.core.limit.Verdict;
import rovek.core.unit.Amount;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.verdict.ReadingVerdict;
import rovek.server.plant.tree.CheckView;

/**
 * How one check stands, by its leading result.
 *
 * @param before the verdict on the reading before the newest; not judged where there was none
 * @param readAt of the newest reading; empty where it was never measured
 * @param values of the newest readings, oldest first, in the leading result's unit
 * @param fail boundary of the leading result
 * @param canBeJudged whether it yields anything that a limit could be set for
 */
record CheckStanding(
        Verdict verdict,
        Verdict before,
        Optional<Instant> readAt,
        double[] values,
        Optional<Double> fail,
        boolean canBeJudged) {

    static final CheckStanding NEVER_MEASURED = new CheckStanding(
            Verdict.NOT_JUDGED, Verdict.NOT_JUDGED, Optional.empty(), new double[0], Optional.empty(), false);

    /**
     * @param history newest readings that count, oldest first
     * @param verdicts on the last two of them at least
     */
    static CheckStanding of(CheckView check, List<ReadingView> history, Map<UUID, ReadingVerdict> verdicts) {
        if (history.isEmpty()) {
            return NEVER_MEASURED;
        }
        ReadingView newest = history.get(history.size() - 1);
        ReadingVerdict verdict = verdicts.get(newest.id());
        Verdict before = history.size() < 2
                ? Verdict.NOT_JUDGED
                : verdicts.get(history.get(history.size() - 2).id()).judgement().verdict();
        double[] values = history.stream()
                .flatMap(reading -> reading.value(check.leadingResult()).stream())
                .mapToDouble(Amount::value)
                .toArray();
        return new CheckStanding(
                verdict.judgement().verdict(),
                before,
                Optional.of(newest.takenAt()),
                values,
                Optional.ofNullable(verdict.boundaries(check.leadingResult()).fail()),
                !check.technique().everyResult().isEmpty());
    }

    /** Whether it stands worse than one reading ago. */
    boolean gotWorse() {
        return (verdict == Verdict.WATCH || verdict == Verdict.FAIL)
                && before != Verdict.NOT_JUDGED
                && verdict.ordinal() > before.ordinal();
    }

    /** Whether it was measured, and nothing says what is right. */
    boolean isWithoutLimit() {
        return canBeJudged && readAt.isPresent() && verdict == Verdict.NOT_JUDGED;
    }

    /** For ranking only: the verdict first, then how near the value is to its fail boundary. */
    double badness() {
        double byVerdict = verdict == Verdict.NOT_JUDGED ? -1 : verdict.ordinal();
        boolean comparable = values.length > 0 && fail.isPresent() && fail.get() != 0;
        return 10 * byVerdict + (comparable ? Math.min(9, values[values.length - 1] / fail.get()) : 0);
    }
}
