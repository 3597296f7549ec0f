package rovek.server.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import rovek.server.problem.DomainProblem;

class WorkingRoomTest {

    private static final Duration SHORT = Duration.ofMillis(50);

    private final WorkingRoom room = new WorkingRoom(10);

    private static long megabytes(int count) {
        return (long) count << 20;
    }

    @Test
    void whatIsTakenIsNotThereForOthersUntilItIsGivenBack() {
        try (WorkingRoom.Taken most = room.take(megabytes(8))) {
            assertThat(most).isNotNull();
            assertThatThrownBy(() -> room.take(megabytes(3), SHORT)).isInstanceOf(DomainProblem.Busy.class);
            room.take(megabytes(2), SHORT).close();
        }
        room.take(megabytes(10), SHORT).close();
    }

    @Test
    void whatIsLargerThanAllHasAllToItself() {
        try (WorkingRoom.Taken all = room.take(megabytes(1_000))) {
            assertThat(all).isNotNull();
            assertThatThrownBy(() -> room.take(1, SHORT)).isInstanceOf(DomainProblem.Busy.class);
        }
        room.take(1, SHORT).close();
    }

    @Test
    void whoHasRoomAlreadyDoesNotWaitForMoreAndOthersDo() throws Exception {
        CompletableFuture<Void> other;
        try (WorkingRoom.Taken mine = room.take(megabytes(6)); WorkingRoom.Taken same = room.await(megabytes(10))) {
            assertThat(mine).isNotSameAs(same);
            other = CompletableFuture.runAsync(() -> {
                try (WorkingRoom.Taken theirs = room.await(megabytes(10))) {
                    assertThat(theirs).isNotNull();
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            });
            assertThatThrownBy(() -> other.get(50, TimeUnit.MILLISECONDS)).isInstanceOf(java.util.concurrent.TimeoutException.class);
        }
        other.get(5, TimeUnit.SECONDS);
    }
}
