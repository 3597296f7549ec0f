package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.reading.TableCapture;
import rovek.core.technique.Curve;
import rovek.core.technique.run.ChannelStatistics;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

/** Runs looked at closely: their channels over time, and what they did within a stretch of it. */
@Service
public class Runs {

    private final ReadingDesk desk;

    Runs(ReadingDesk desk) {
        this.desk = desk;
    }

    /** The channels of a run and what it was captured as. */
    record Recorded(List<Curve.Run> channels, TableCapture capture) {}

    @Transactional(readOnly = true)
    public RunView run(UUID readingId) {
        Recorded recorded = recorded(readingId);
        return RunView.of(recorded.channels(), recorded.capture());
    }

    Recorded recorded(UUID readingId) {
        List<Curve.Run> channels = desk.drawn(readingId).curves().stream()
                .filter(Curve.Run.class::isInstance)
                .map(Curve.Run.class::cast)
                .toList();
        if (channels.isEmpty()) {
            throw new DomainProblem.Conflict("no-run", Sentence.of("judging.noRun"));
        }
        return new Recorded(channels, (TableCapture) desk.capture(readingId));
    }

    /** @param statistics null where nothing was measured meanwhile */
    public record OfChannel(
            String name, String unit, @Nullable ChannelStatistics statistics) {}

    /** @param from seconds since the run began; likewise {@code to} */
    @Transactional(readOnly = true)
    public List<OfChannel> statistics(UUID readingId, double from, double to) {
        return recorded(readingId).channels().stream()
                .map(channel -> new OfChannel(
                        channel.id(),
                        channel.unit(),
                        ChannelStatistics.of(channel.seconds(), channel.values(), channel.limits(), from, to)
                                .orElse(null)))
                .toList();
    }
}
