package rovek.bench;

import java.lang.management.ManagementFactory;
import java.lang.management.MemoryType;

/**
 * Heap that is needed over a stretch of time: what is left of it after each collection, as the virtual machine counts
 * it.
 */
final class PeakHeap {

    private static final long EVERY_MILLIS = 10;

    private long idle;
    private volatile long most;
    private volatile boolean isOver;
    private Thread watch;

    void begin() {
        System.gc();
        idle = afterCollection();
        watch = new Thread(() -> {
            while (!isOver) {
                most = Math.max(most, afterCollection());
                try {
                    Thread.sleep(EVERY_MILLIS);
                } catch (InterruptedException e) {
                    return;
                }
            }
        });
        watch.start();
    }

    void end() throws InterruptedException {
        isOver = true;
        watch.join();
    }

    private static long afterCollection() {
        return ManagementFactory.getMemoryPoolMXBeans().stream()
                .filter(pool -> pool.getType() == MemoryType.HEAP && pool.getCollectionUsage() != null)
                .mapToLong(pool -> pool.getCollectionUsage().getUsed())
                .sum();
    }

    long idleMegabytes() {
        return idle >> 20;
    }

    long megabytes() {
        return most >> 20;
    }
}
