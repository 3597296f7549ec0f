package rovek.server.intake.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.mock;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import rovek.core.live.LiveChannel;
import rovek.core.live.LiveSample;

/** What a recording takes of what comes in, also while the database is away. */
class RecorderTest {

    private static final Instant BEGAN = Instant.parse("2026-11-23T10:00:00Z");
    private static final List<LiveChannel> LEVEL = List.of(new LiveChannel("Level", "m"));

    private final List<Instant> stored = new ArrayList<>();
    private boolean isDatabaseAway;
    private final Recorder recorder = recorder();

    private Recorder recorder() {
        LiveRows rows = mock(LiveRows.class);
        doAnswer(call -> {
                    if (isDatabaseAway) {
                        throw new DataAccessResourceFailureException("away");
                    }
                    return stored.add(call.getArgument(1, LiveSample.class).at());
                })
                .when(rows)
                .add(any(), any());
        LiveTarget target = new LiveTarget(LiveTarget.Kind.SETUP, UUID.randomUUID());
        LiveRows.Begun begun = new LiveRows.Begun(
                UUID.randomUUID(), target, "Start-up", "T", "1", LEVEL, 1_000, Optional.empty(), BEGAN, "anna");
        return new Recorder(new LiveRows.Open(begun, 0, List.of()), rows, Clock.fixed(BEGAN, ZoneOffset.UTC), 1_000);
    }

    private void take(long millis, List<LiveChannel> channels) {
        recorder.take(new LiveSample(BEGAN.plusMillis(millis), new double[] {1}), channels);
    }

    @Test
    void aRowIsTakenAtEveryIntervalHoweverOftenValuesCome() {
        for (long millis = 0; millis <= 4_000; millis += 250) {
            take(millis, LEVEL);
        }
        take(9_300, LEVEL);
        assertThat(stored)
                .containsExactly(
                        BEGAN,
                        BEGAN.plusSeconds(1),
                        BEGAN.plusSeconds(2),
                        BEGAN.plusSeconds(3),
                        BEGAN.plusSeconds(4),
                        BEGAN.plusMillis(9_300));
        assertThat(recorder.taken()).isEqualTo(6);
    }

    /** Whoever loads another set-up while the link is lost must not have its values under the former names. */
    @Test
    void valuesOfOtherChannelsAreNoneOfIts() {
        take(0, LEVEL);
        take(1_000, List.of(new LiveChannel("Pressure", "bar")));
        take(2_000, LEVEL);
        assertThat(stored).containsExactly(BEGAN, BEGAN.plusSeconds(2));
    }

    @Test
    void whileTheDatabaseIsAwayRowsWaitAndFollowInOrder() {
        take(0, LEVEL);
        isDatabaseAway = true;
        take(1_000, LEVEL);
        take(2_000, LEVEL);
        assertThat(stored).hasSize(1);
        isDatabaseAway = false;
        take(3_000, LEVEL);
        assertThat(stored).containsExactly(BEGAN, BEGAN.plusSeconds(1), BEGAN.plusSeconds(2), BEGAN.plusSeconds(3));
    }
}
