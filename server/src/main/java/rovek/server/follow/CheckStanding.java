package rovek.server.follow;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import rovek.core.limit.Judgement;
import rovek.core.limit.Limit;
import rovek.core.limit.Verdict;
import rovek.core.unit.Amount;
import rovek.server.plant.CheckView;
import rovek.server.reading.ReadingJudge;
import rovek.server.reading.ReadingView;

/**
 * How one check stands, by its leading result.
 *
 * @param readAt of the newest reading; empty where it was never measured
 * @param values of the newest readings, oldest first, in the leading result's unit
 * @param fail boundary of the leading result
 */
record CheckStanding(Verdict verdict, Optional<Instant> readAt, double[] values, Optional<Double> fail) {

    static final CheckStanding NEVER_MEASURED = new CheckStanding(Verdict.NOT_JUDGED, Optional.empty(), new double[0], Optional.empty());

    /** @param history newest readings that count, oldest first */
    static CheckStanding of(CheckView check, List<ReadingView> history) {
        if (history.isEmpty()) {
            return NEVER_MEASURED;
        }
        ReadingView newest = history.get(history.size() - 1);
        Judgement judgement = ReadingJudge.judge(newest, check);
        double[] values = history.stream()
                .flatMap(reading -> reading.value(check.leadingResult()).stream())
                .mapToDouble(Amount::value)
                .toArray();
        Optional<Double> fail = check.leadingLimit().flatMap(Limit::fail).map(Amount::value);
        return new CheckStanding(judgement.verdict(), Optional.of(newest.takenAt()), values, fail);
    }

    /** For ranking only: the verdict first, then how near the value is to its fail boundary. */
    double badness() {
        double byVerdict = verdict == Verdict.NOT_JUDGED ? -1 : verdict.ordinal();
        boolean comparable = values.length > 0 && fail.isPresent() && fail.get() != 0;
        return 10 * byVerdict + (comparable ? Math.min(9, values[values.length - 1] / fail.get()) : 0);
    }
}
