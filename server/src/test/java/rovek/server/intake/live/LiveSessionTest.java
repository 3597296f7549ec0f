package rovek.server.intake.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import rovek.core.live.GoLimit;
import rovek.core.live.LiveChannel;
import rovek.core.live.LiveSample;
import rovek.core.wording.Sentence;

/** What a server knows of a source, asked by itself or heard from another one. */
class LiveSessionTest {

    private static final Instant AT = Instant.parse("2026-11-23T10:00:00Z");
    private static final List<LiveChannel> LEVEL = List.of(new LiveChannel("Level", "m"));

    private final LiveSession session = new LiveSession(
            new LiveSource(Sentence.plain("Logger"), "LG-8", "1", watch -> {}),
            Clock.fixed(AT, ZoneOffset.UTC),
            open -> Optional.empty());

    private static SharedView shown(List<LiveChannel> channels, long... numbers) {
        List<SharedView.Numbered> samples = java.util.Arrays.stream(numbers)
                .mapToObj(
                        number -> new SharedView.Numbered(number, AT.plusSeconds(number), new double[channels.size()]))
                .toList();
        return new SharedView(channels, true, "", samples);
    }

    private int samples() {
        return session.since(0).samples().size();
    }

    @Test
    void whatIsHeardTwiceIsShownOnce() {
        long heard = session.hear(shown(LEVEL, 5, 6), 0);
        assertThat(heard).isEqualTo(6);
        assertThat(session.hear(shown(LEVEL, 5, 6), heard)).isEqualTo(6);
        assertThat(session.hear(shown(LEVEL, 6, 7), heard)).isEqualTo(7);
        assertThat(session.since(0).samples())
                .extracting(LiveUpdate.Sample::at)
                .containsExactly("2026-11-23T10:00:05Z", "2026-11-23T10:00:06Z", "2026-11-23T10:00:07Z");
        assertThat(session.since(2).samples())
                .as("what a watcher does not know yet")
                .hasSize(1);
    }

    @Test
    void samplesOfOtherChannelsAreForgotten() {
        session.hear(shown(LEVEL, 1, 2, 3), 0);
        session.hear(shown(List.of(new LiveChannel("Flow", "l/s"), new LiveChannel("Level", "m")), 4), 3);
        assertThat(samples()).isEqualTo(1);
    }

    /** As many as are missed in four seconds at the shortest interval: what is shared is bounded. */
    @Test
    void onlyTheNewestAreShared() {
        session.shows(LEVEL);
        for (int i = 1; i <= 100; i++) {
            session.arrived(new LiveSample(AT.plusMillis(i), new double[] {i}), LEVEL);
        }
        assertThat(session.shared().samples())
                .hasSize(40)
                .last()
                .satisfies(one -> assertThat(one.number()).isEqualTo(100));
        assertThat(samples()).isEqualTo(100);
    }

    @Test
    void whatWasLookedUpBeforeSomethingWasSaidHereIsNoNews() {
        session.hear(shown(LEVEL, 1), 0);
        long before = session.said();
        session.limit("Level", new GoLimit(OptionalDouble.of(1), OptionalDouble.empty()));
        session.learn(before, Map.of(), Optional.empty());
        assertThat(session.since(0).channels().get(0).low()).isEqualTo(1.0);
        session.learn(session.said(), Map.of(), Optional.empty());
        assertThat(session.since(0).channels().get(0).low()).isNull();
    }

    @Test
    void aRecordingThatWasEndedMeanwhileIsNotBegun() {
        LiveRows.Begun begun = new LiveRows.Begun(
                UUID.randomUUID(),
                new LiveTarget(LiveTarget.Kind.SETUP, UUID.randomUUID()),
                "Start-up",
                "T",
                "1",
                LEVEL,
                1_000,
                Optional.empty(),
                AT,
                "anna");
        session.recorded(Optional.of(new LiveRows.Open(begun, 3, List.of())));
        session.recordWhatIsOpen();
        assertThat(session.recorder()).as("it was closed").isEmpty();
        assertThat(session.since(0).recording().rows())
                .as("as far as another one is")
                .isEqualTo(3);
    }
}
