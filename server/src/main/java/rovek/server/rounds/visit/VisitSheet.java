package rovek.server.rounds.visit;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import rovek.core.limit.RollUp;
import rovek.core.limit.Verdict;
import rovek.core.wording.Sentence;
import rovek.server.instruments.instrument.InstrumentView;

/**
 * A visit as a sheet.
 *
 * @param clockAheadSeconds how wrong the instrument's clock was; the times shown are corrected
 * @param clockDoubt why the times cannot be true; blank where nothing speaks against them
 * @param files what came as a file instead of from the instrument itself, and who brought it
 * @param newest the newest reading; null where there is none
 * @param zone time zone of the site
 */
public record VisitSheet(
        @JsonUnwrapped VisitHead head,
        String beganAt,
        long clockAheadSeconds,
        RollUpView verdicts,
        List<VisitRow> rows,
        List<LooseReading> tray,
        Sentence clockDoubt,
        List<Sentence> files,
        @Nullable KnownTime newest,
        String zone) {

    /**
     * Which visit it was.
     *
     * @param client blank where its stops share none; likewise {@code site}
     * @param calibratedOn the instrument's calibration as it stood at the visit
     */
    public record VisitHead(
            UUID id,
            String title,
            String client,
            String site,
            String technician,
            InstrumentView instrument,
            @Nullable LocalDate calibratedOn,
            @Nullable LocalDate calibratedUntil) {}

    /** The newest reading of a visit: the one whose time a person most likely knows. */
    public record KnownTime(UUID readingId, String place, String takenAt) {}

    /** Verdicts counted. */
    public record RollUpView(Verdict worst, int pass, int watch, int fail, int notJudged) {
        public static RollUpView of(RollUp rollUp) {
            return new RollUpView(rollUp.worst(), rollUp.pass(), rollUp.watch(), rollUp.fail(), rollUp.notJudged());
        }
    }

    /** A reading that no stop asked for. */
    public record LooseReading(
            UUID id,
            String technique,
            String takenAt,
            String label,
            String note,
            @Nullable Double value,
            String unit,
            @Nullable String discardedBecause,
            Map<String, String> filled,
            boolean isAccidental,
            List<PlacementProposal> proposals) {}
}
