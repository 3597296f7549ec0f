package rovek.server.instruments.instrument;

import jakarta.annotation.Nullable;
import java.time.Duration;
import java.util.Collection;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Supplier;

/**
 * What was seen at places that are slow to look at. Each place is looked at by one at a time, all who ask meanwhile
 * share that look, and nobody waits longer than he wants: what was seen last is told instead.
 */
final class Sightings<P, S> {

    private final ExecutorService looking;
    private final Map<P, Look<S>> looks = new ConcurrentHashMap<>();

    Sightings(ExecutorService looking) {
        this.looking = looking;
    }

    /** @param before what was seen the time before; null where nothing ever was */
    private record Look<S>(
            CompletableFuture<S> seen,
            long beganAt,
            @Nullable S before) {

        boolean serves(Duration fresh) {
            return !seen.isDone()
                    || (!seen.isCompletedExceptionally() && System.nanoTime() - beganAt < fresh.toNanos());
        }

        @Nullable
        S newest() {
            return seen.isDone() && !seen.isCompletedExceptionally() ? seen.join() : before;
        }
    }

    /** Has a place looked at, unless somebody is at it or was within the span. */
    void look(P place, Duration fresh, Supplier<S> work) {
        looks.compute(place, (same, last) -> {
            if (last != null && last.serves(fresh)) {
                return last;
            }
            return new Look<>(
                    CompletableFuture.supplyAsync(work, looking),
                    System.nanoTime(),
                    last == null ? null : last.newest());
        });
    }

    /**
     * What is seen there; where that takes longer than until then, what was seen before.
     *
     * @param until system nano time
     */
    Optional<S> within(P place, long until) {
        Look<S> look = looks.get(place);
        if (look == null) {
            return Optional.empty();
        }
        try {
            return Optional.of(look.seen().get(Math.max(0, until - System.nanoTime()), TimeUnit.NANOSECONDS));
        } catch (TimeoutException | CancellationException notYet) {
            return Optional.ofNullable(look.before());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.ofNullable(look.before());
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException trouble) {
                throw trouble;
            }
            throw new CompletionException("Looking there failed.", e.getCause());
        }
    }

    /** Forgets the places that are no longer looked at. */
    void keepOnly(Collection<P> places) {
        looks.keySet().retainAll(new HashSet<>(places));
    }
}
