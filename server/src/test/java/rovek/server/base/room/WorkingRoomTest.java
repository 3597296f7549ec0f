package rovek.server.base.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.junit.jupiter.api.Test;
import rovek.server.base.problem.DomainProblem;

class WorkingRoomTest {

    private static final Duration SHORT = Duration.ofMillis(50);

    private final WorkingRoom room = new WorkingRoom(10, 4);

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

    /**
     * Twenty who have sent their bodies, and each of whom needs all the room there is to work in, get it one after the
     * other.
     */
    @Test
    void whatBodiesHoldKeepsNobodyFromWorking() throws Exception {
        ExecutorService crowd = Executors.newFixedThreadPool(4);
        List<Callable<Boolean>> all = Collections.nCopies(4, () -> {
            try (WorkingRoom.Taken body = room.takeForBody(megabytes(1));
                    WorkingRoom.Taken work = room.take(megabytes(1_000))) {
                Thread.sleep(20);
                return body != work;
            }
        });
        for (Future<Boolean> one : crowd.invokeAll(all, 10, TimeUnit.SECONDS)) {
            assertThat(one.get()).isTrue();
        }
        crowd.shutdown();
    }

    @Test
    void workInTheBackgroundWaitsForAsLongAsItTakes() throws Exception {
        CompletableFuture<Void> other;
        try (WorkingRoom.Taken mine = room.take(megabytes(6))) {
            assertThat(mine).isNotNull();
            other = CompletableFuture.runAsync(() -> {
                try (WorkingRoom.Taken theirs = room.await(megabytes(10))) {
                    assertThat(theirs).isNotNull();
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            });
            assertThatThrownBy(() -> other.get(50, TimeUnit.MILLISECONDS)).isInstanceOf(TimeoutException.class);
        }
        other.get(5, TimeUnit.SECONDS);
    }
}
