package rovek.server.rounds.visit;

import java.time.Instant;
import java.util.List;
import java.util.UUID;

/**
 * All of a visit that a person can change.
 *
 * @param clockAheadSeconds how far the instrument's clock was ahead, as corrected
 */
public record VisitState(Instant beganAt, long clockAheadSeconds, List<WalkedStop> stops) {

    /**
     * One stop of its walk.
     *
     * @param planned the check it was loaded for; null, as it was written before that was kept, means that it was not
     *     moved
     */
    public record WalkedStop(UUID checkId, String progress, String note, UUID planned) {

        public WalkedStop {
            planned = planned == null ? checkId : planned;
        }

        public WalkedStop on(UUID otherCheck) {
            return new WalkedStop(otherCheck, progress, note, planned);
        }
    }

    public VisitState {
        stops = List.copyOf(stops);
    }

    public VisitState with(List<WalkedStop> others) {
        return new VisitState(beganAt, clockAheadSeconds, others);
    }

    public VisitState began(Instant at, long clockAhead) {
        return new VisitState(at, clockAhead, stops);
    }
}
