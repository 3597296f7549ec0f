package rovek.server.intake.transfer;

import jakarta.annotation.Nullable;
import java.util.List;
import rovek.core.wording.Sentence;
import rovek.server.instruments.instrument.InstrumentView;

/**
 * An instrument as it stands on the other end of the link right now.
 *
 * @param batteryPercent null where it cannot tell, likewise {@code temperatureCelsius}
 * @param clockAheadSeconds how far its clock is ahead of the server's; negative when it is slow, null where it cannot
 *     be asked
 * @param availableOptions what it could have and has not
 * @param isRunning whether it records a run now; null where it records none
 * @param clockIsWrong whether that is more than the delay of asking
 */
public record ConnectionView(
        InstrumentView instrument,
        @Nullable Integer batteryPercent,
        @Nullable Double temperatureCelsius,
        @Nullable Long clockAheadSeconds,
        boolean clockIsWrong,
        List<String> availableOptions,
        @Nullable Boolean isRunning,
        long usedBytes,
        long freeBytes,
        List<MemoryLine> files) {

    /**
     * A file in its memory.
     *
     * @param what what lies inside, where a look tells at once; blank otherwise
     * @param kind ROUTE, READINGS or LOOSE
     * @param state NEW, PART (a read-back was interrupted), STORED, or LOADED for a route
     * @param storedAt when it was stored; null unless it is
     */
    public record MemoryLine(
            String name,
            Sentence what,
            String kind,
            long bytes,
            String state,
            long arrivedBytes,
            @Nullable String storedAt) {}
}
