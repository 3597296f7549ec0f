package rovek.fieldsim;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import rovek.core.live.LiveChannel;
import rovek.link.packet.SetupPackage;

/** What an instrument shows as it is now: the channels of its set-up, moving a little from second to second. */
final class LivePart {

    private static final double WAVE_SECONDS = 40;

    private final HandheldModel model;
    private final Random random = new Random(51820);

    LivePart(HandheldModel model) {
        this.model = model;
    }

    boolean isThere() {
        return model.options().containsKey("LIVE");
    }

    boolean recordsRuns() {
        return isThere() && model.techniques().contains("run");
    }

    private List<SimulatedRun.Channel> shown(Optional<SetupPackage> setup) {
        return model.techniques().contains("loop")
                ? List.of(
                        new SimulatedRun.Channel("Loop current", "mA", 4, 20),
                        new SimulatedRun.Channel("Loop supply", "V", 22, 26))
                : SimulatedRun.channels(setup);
    }

    List<LiveChannel> channels(Optional<SetupPackage> setup) {
        return shown(setup).stream()
                .map(channel -> new LiveChannel(channel.name(), channel.unit()))
                .toList();
    }

    synchronized double[] values(Optional<SetupPackage> setup, Instant at) {
        double wave = Math.sin(2 * Math.PI * (at.toEpochMilli() / 1000.0) / WAVE_SECONDS);
        return shown(setup).stream()
                .mapToDouble(channel -> Math.round(
                                (channel.valueAt(at, random) + 0.08 * (channel.high() - channel.low()) * wave) * 1000)
                        / 1000.0)
                .toArray();
    }
}
