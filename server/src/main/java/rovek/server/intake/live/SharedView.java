package rovek.server.intake.live;

import java.time.Instant;
import java.util.List;
import rovek.core.live.LiveChannel;

/**
 * What the server that asks a source shows to the others.
 *
 * @param sentence what is the matter; blank where nothing is
 * @param samples the newest ones, oldest first
 */
record SharedView(List<LiveChannel> channels, boolean isConnected, String sentence, List<Numbered> samples) {

    /**
     * All channels at one moment.
     *
     * @param number how manieth it is of the server that asks
     * @param values NaN where a channel has none
     */
    record Numbered(long number, Instant at, double[] values) {}
}
