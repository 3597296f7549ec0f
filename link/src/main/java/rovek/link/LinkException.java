package rovek.link;

import org.jspecify.annotations.Nullable;
import rovek.core.wording.Sentence;

/**
 * Something between Rovek and an instrument went wrong. Each kind has a stable code and a sentence that tells a
 * technician what happened, what was kept and what to do.
 */
public sealed class LinkException extends Exception {

    private static final long serialVersionUID = 1L;

    private final String code;
    private final transient Sentence sentence;

    private LinkException(String code, Sentence sentence, @Nullable Throwable cause) {
        super(sentence.toString(), cause);
        this.code = code;
        this.sentence = sentence;
    }

    public String code() {
        return code;
    }

    /** What is said, to be worded; {@link #getMessage} is for the log. */
    public Sentence sentence() {
        return sentence;
    }

    /** Nobody answers at the address. */
    public static final class NotReachable extends LinkException {
        private static final long serialVersionUID = 1L;

        public NotReachable(Sentence address, @Nullable Throwable cause) {
            super("link.not-reachable", Sentence.of("link.notReachable", "address", address), cause);
        }
    }

    /** The link was open and broke. */
    public static final class Lost extends LinkException {
        private static final long serialVersionUID = 1L;

        public Lost(@Nullable Throwable cause) {
            super("link.lost", Sentence.of("link.lost"), cause);
        }
    }

    /** The instrument is there but stays silent. */
    public static final class TimedOut extends LinkException {
        private static final long serialVersionUID = 1L;

        public TimedOut(Sentence command, long millis) {
            super("link.timed-out", Sentence.of("link.timedOut", "seconds", millis / 1000.0, "command", command), null);
        }
    }

    /** An answer that is not what the protocol says. */
    public static final class Garbled extends LinkException {
        private static final long serialVersionUID = 1L;

        public Garbled(Sentence what) {
            super("link.garbled", Sentence.of("link.garbled", "what", what), null);
        }
    }

    /** The bytes arrived but are not the ones that were meant. */
    public static final class DigestDiffers extends LinkException {
        private static final long serialVersionUID = 1L;

        public DigestDiffers(Sentence file) {
            super("link.digest-differs", Sentence.of("link.digestDiffers", "file", file), null);
        }
    }

    /** The instrument wants its pass code first, or another one. */
    public static final class PassCodeWanted extends LinkException {
        private static final long serialVersionUID = 1L;

        public PassCodeWanted() {
            super("link.pass-code", Sentence.of("link.passCode"), null);
        }
    }

    /** No room. */
    public static final class MemoryFull extends LinkException {
        private static final long serialVersionUID = 1L;

        public MemoryFull() {
            super("link.memory-full", Sentence.of("link.memoryFull"), null);
        }
    }

    /** It is doing something else. */
    public static final class Busy extends LinkException {
        private static final long serialVersionUID = 1L;

        public Busy() {
            super("link.busy", Sentence.of("link.busy"), null);
        }
    }

    /** The file that was asked for is not there. */
    public static final class NoSuchFile extends LinkException {
        private static final long serialVersionUID = 1L;

        public NoSuchFile(String name) {
            super("link.no-such-file", Sentence.of("link.noSuchFile", "file", name), null);
        }
    }

    /** Its charge would not last. */
    public static final class BatteryLow extends LinkException {
        private static final long serialVersionUID = 1L;

        public BatteryLow() {
            super("link.battery-low", Sentence.of("link.batteryLow"), null);
        }
    }

    /** An instrument that is reached as a drive cannot be asked for everything. */
    public static final class NotByThisWay extends LinkException {
        private static final long serialVersionUID = 1L;

        public NotByThisWay(Sentence what) {
            super("link.not-by-this-way", Sentence.of("link.notByThisWay", "what", what), null);
        }
    }

    /** Any other error the instrument reports. */
    public static final class Refused extends LinkException {
        private static final long serialVersionUID = 1L;

        public Refused(Sentence command, Sentence error) {
            super("link.refused", Sentence.of("link.refused", "command", command, "error", error), null);
        }
    }

    /** A text would not reach the instrument as the one command it is meant to be. */
    public static final class Unsendable extends LinkException {
        private static final long serialVersionUID = 1L;

        public Unsendable() {
            super("link.unsendable", Sentence.of("link.unsendable"), null);
        }
    }

    /** An answer that goes on for longer than any instrument needs. */
    public static final class TooSlow extends LinkException {
        private static final long serialVersionUID = 1L;

        public TooSlow(long seconds) {
            super("link.too-slow", Sentence.of("link.tooSlow", "seconds", seconds), null);
        }
    }

    /** What may be done with the instrument is no longer ours to decide. */
    public static final class TakenOver extends LinkException {
        private static final long serialVersionUID = 1L;

        public TakenOver() {
            super("link.taken-over", Sentence.of("link.takenOver"), null);
        }
    }

    /** Somebody stopped the transfer. */
    public static final class Stopped extends LinkException {
        private static final long serialVersionUID = 1L;

        public Stopped() {
            super("link.stopped", Sentence.of("link.stopped"), null);
        }
    }
}
