package rovek.server.intake.live;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import rovek.core.live.GoLimit;
import rovek.core.wording.Sentence;

/**
 * What a watcher is told.
 *
 * @param isConnected whether values come in
 * @param sentence what is the matter; blank where nothing is
 * @param recording null while nothing is recorded
 * @param samples those the watcher was not told yet, oldest first
 * @param newest how manieth the last of them is
 */
public record LiveUpdate(
        Sentence title,
        boolean isConnected,
        Sentence sentence,
        List<Channel> channels,
        @Nullable Recording recording,
        List<Sample> samples,
        long newest) {

    /**
     * A channel with what it must keep to.
     *
     * @param low null where nothing is too low; likewise {@code high}
     */
    public record Channel(
            String name,
            String unit,
            @Nullable Double low,
            @Nullable Double high) {}

    /**
     * All channels at one moment.
     *
     * @param values null where a channel has none
     */
    public record Sample(String at, List<Double> values, List<GoLimit.Go> go) {}

    /** What is being recorded. */
    public record Recording(
            UUID id, String name, int intervalMillis, String beganAt, String by, int rows, List<Mark> marks) {}

    /** A marked moment. */
    public record Mark(String at, String text) {}
}
