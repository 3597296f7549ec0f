package rovek.server;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.IntFunction;

/** Several people at once. */
final class Crowd {

    private Crowd() {}

    /** @return what came of each one's work; the first failure of any is thrown */
    static <T> List<T> together(int people, IntFunction<Callable<T>> work) throws Exception {
        ExecutorService crowd = Executors.newFixedThreadPool(people);
        try {
            List<Callable<T>> all = new ArrayList<>();
            for (int i = 0; i < people; i++) {
                all.add(work.apply(i));
            }
            List<T> done = new ArrayList<>();
            for (Future<T> one : crowd.invokeAll(all)) {
                done.add(one.get());
            }
            return done;
        } finally {
            crowd.shutdownNow();
        }
    }
}
