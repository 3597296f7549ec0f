package rovek.server.intake.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import rovek.core.wording.Sentence;

/** Which server asks, step by step. */
class LiveSharingTest {

    private final LiveTarget target = new LiveTarget(LiveTarget.Kind.SETUP, UUID.randomUUID());
    private final SharedViews views = mock(SharedViews.class);
    private final LiveRows rows = mock(LiveRows.class);
    private final LiveSession session = new LiveSession(
            new LiveSource(Sentence.plain("Logger"), "LG-8", "1", watch -> {}),
            Clock.systemUTC(),
            open -> Optional.empty());
    private final LiveSharing sharing = new LiveSharing(target, session, views, rows);

    @BeforeEach
    void nobodyAsksYet() {
        when(rows.limits(any())).thenReturn(Map.of());
        when(rows.open(any())).thenReturn(Optional.empty());
        when(views.follow(any())).thenReturn(Optional.empty());
        when(views.take(any(), any())).thenReturn(true);
        when(views.renew(any(), any())).thenReturn(Optional.of(false));
    }

    @Test
    void whoeverFindsNobodyAsksAndLeavesItAtTheEnd() {
        sharing.run();
        assertThat(sharing.holds()).isTrue();
        sharing.end();
        assertThat(sharing.holds()).isFalse();
        verify(views).release(any(), any());
        sharing.run();
        verify(views, times(1)).take(any(), any());
    }

    /** The end may come while the view is just being taken. */
    @Test
    void whatIsTakenWhileItEndsIsLeftToo() {
        when(views.take(any(), any())).thenAnswer(call -> {
            sharing.end();
            return true;
        });
        sharing.run();
        assertThat(sharing.holds()).isFalse();
        verify(views).release(any(), any());
    }

    @Test
    void whoeverHasLostItFollowsAndAsksNoMore() {
        sharing.run();
        when(views.renew(any(), any())).thenReturn(Optional.empty());
        when(views.follow(any()))
                .thenReturn(Optional.of(new SharedViews.Followed(UUID.randomUUID(), Optional.empty())));
        sharing.run();
        assertThat(sharing.holds()).isFalse();
        sharing.end();
        verify(views, never()).release(any(), any());
    }

    @Test
    void whileTheDatabaseIsAwayWhoeverAsksGoesOn() {
        sharing.run();
        doThrow(new DataAccessResourceFailureException("away")).when(views).renew(any(), any());
        sharing.run();
        sharing.run();
        assertThat(sharing.holds()).isTrue();
    }
}
