package rovek.fieldsim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.Callable;

/** Waits for what happens by itself. */
final class Waiting {

    private static final long MOST_NANOS = 10_000_000_000L;

    private Waiting() {}

    static void until(Callable<Boolean> happened) throws Exception {
        long until = System.nanoTime() + MOST_NANOS;
        while (!happened.call()) {
            assertThat(System.nanoTime()).as("it happens within ten seconds").isLessThan(until);
            Thread.sleep(20);
        }
    }
}
