package rovek.bench;

import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;

/** The most heap in use over a stretch of time, pool by pool, as the virtual machine counts it. */
final class PeakHeap {

    private long bytes;

    void begin() {
        System.gc();
        pools().forEach(MemoryPoolMXBean::resetPeakUsage);
    }

    void end() {
        bytes = pools().mapToLong(pool -> pool.getPeakUsage().getUsed()).sum();
    }

    private static java.util.stream.Stream<MemoryPoolMXBean> pools() {
        return ManagementFactory.getMemoryPoolMXBeans().stream().filter(pool -> pool.getType() == MemoryType.HEAP);
    }

    long megabytes() {
        return bytes >> 20;
    }
}
