package rovek.fieldsim;

import java.time.Duration;
import java.util.OptionalLong;

/** What is to go wrong, set on demand. Each fault but slowness and full memory happens once. */
final class Faults {

    private long cutAfterBytes = -1;
    private boolean corrupt;
    private boolean damageNextWrite;
    private boolean memoryFull;
    private boolean busy;
    private Duration slowness = Duration.ZERO;

    synchronized void cutAfter(long bytes) {
        cutAfterBytes = bytes;
    }

    synchronized void corruptNextBlock() {
        corrupt = true;
    }

    synchronized void damageNextWrite() {
        damageNextWrite = true;
    }

    /** Whether what was just written is to be kept damaged; that happens once. */
    synchronized boolean isWriteDamaged() {
        boolean damaged = damageNextWrite;
        damageNextWrite = false;
        return damaged;
    }

    synchronized void setMemoryFull(boolean full) {
        memoryFull = full;
    }

    synchronized void setBusy(boolean isBusy) {
        busy = isBusy;
    }

    synchronized void setSlowness(Duration beforeEachAnswer) {
        slowness = beforeEachAnswer;
    }

    synchronized void clear() {
        cutAfterBytes = -1;
        corrupt = false;
        damageNextWrite = false;
        memoryFull = false;
        busy = false;
        slowness = Duration.ZERO;
    }

    /**
     * Says how many of the bytes about to go out may still go before the link is cut.
     *
     * @return empty when all may go
     */
    synchronized OptionalLong allowance(long bytes) {
        if (cutAfterBytes < 0) {
            return OptionalLong.empty();
        }
        if (bytes < cutAfterBytes) {
            cutAfterBytes -= bytes;
            return OptionalLong.empty();
        }
        long left = cutAfterBytes;
        cutAfterBytes = -1;
        return OptionalLong.of(left);
    }

    synchronized byte[] perhapsCorrupted(byte[] block) {
        if (!corrupt || block.length == 0) {
            return block;
        }
        corrupt = false;
        byte[] damaged = block.clone();
        damaged[damaged.length / 2] ^= 0x40;
        return damaged;
    }

    synchronized boolean isMemoryFull() {
        return memoryFull;
    }

    synchronized boolean isBusy() {
        return busy;
    }

    synchronized Duration slowness() {
        return slowness;
    }
}
