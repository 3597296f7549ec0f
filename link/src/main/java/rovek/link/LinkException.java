package rovek.link;

import org.jspecify.annotations.Nullable;

/**
 * Something between Rovek and an instrument went wrong. Each kind has a stable code and a sentence that tells a
 * technician what happened, what was kept and what to do.
 */
public sealed class LinkException extends Exception {

    private static final long serialVersionUID = 1L;

    private final String code;

    private LinkException(String code, String sentence, @Nullable Throwable cause) {
        super(sentence, cause);
        this.code = code;
    }

    public String code() {
        return code;
    }

    /** Nobody answers at the address. */
    public static final class NotReachable extends LinkException {
        private static final long serialVersionUID = 1L;

        public NotReachable(String address, @Nullable Throwable cause) {
            super(
                    "link.not-reachable",
                    "No instrument answers at %s. Is it switched on and on the same network?".formatted(address),
                    cause);
        }
    }

    /** The link was open and broke. */
    public static final class Lost extends LinkException {
        private static final long serialVersionUID = 1L;

        public Lost(@Nullable Throwable cause) {
            super(
                    "link.lost",
                    "The link to the instrument broke. What had arrived is kept; try again and it goes on from there.",
                    cause);
        }
    }

    /** The instrument is there but stays silent. */
    public static final class TimedOut extends LinkException {
        private static final long serialVersionUID = 1L;

        public TimedOut(String command, long millis) {
            super(
                    "link.timed-out",
                    "The instrument did not answer within %.0f s (to %s). Try again; if it stays silent, switch it off and on."
                            .formatted(millis / 1000.0, command),
                    null);
        }
    }

    /** An answer that is not what the protocol says. */
    public static final class Garbled extends LinkException {
        private static final long serialVersionUID = 1L;

        public Garbled(String what) {
            super(
                    "link.garbled",
                    "The instrument gave an answer that makes no sense: %s. Nothing was changed; try again."
                            .formatted(what),
                    null);
        }
    }

    /** The bytes arrived but are not the ones that were meant. */
    public static final class DigestDiffers extends LinkException {
        private static final long serialVersionUID = 1L;

        public DigestDiffers(String file) {
            super(
                    "link.digest-differs",
                    "%s arrived damaged: its digest does not agree. Nothing was stored and nothing was cleared; try again."
                            .formatted(file),
                    null);
        }
    }

    /** The instrument wants its pass code first, or another one. */
    public static final class PassCodeWanted extends LinkException {
        private static final long serialVersionUID = 1L;

        public PassCodeWanted() {
            super("link.pass-code", "The instrument asks for its pass code. Enter it with the connection.", null);
        }
    }

    /** No room. */
    public static final class MemoryFull extends LinkException {
        private static final long serialVersionUID = 1L;

        public MemoryFull() {
            super(
                    "link.memory-full",
                    "The instrument's memory is full: nothing was loaded. Read back and clear what is stored, then load again.",
                    null);
        }
    }

    /** It is doing something else. */
    public static final class Busy extends LinkException {
        private static final long serialVersionUID = 1L;

        public Busy() {
            super(
                    "link.busy",
                    "The instrument is busy measuring or installing its firmware. Wait until it has finished, then try again.",
                    null);
        }
    }

    /** The file that was asked for is not there. */
    public static final class NoSuchFile extends LinkException {
        private static final long serialVersionUID = 1L;

        public NoSuchFile(String name) {
            super(
                    "link.no-such-file",
                    "The instrument no longer holds %s. Look at its memory again.".formatted(name),
                    null);
        }
    }

    /** Its charge would not last. */
    public static final class BatteryLow extends LinkException {
        private static final long serialVersionUID = 1L;

        public BatteryLow() {
            super(
                    "link.battery-low",
                    "The instrument's battery is too low for that; nothing was changed. Charge it, then try again.",
                    null);
        }
    }

    /** An instrument that is reached as a drive cannot be asked for everything. */
    public static final class NotByThisWay extends LinkException {
        private static final long serialVersionUID = 1L;

        public NotByThisWay(String what) {
            super(
                    "link.not-by-this-way",
                    "%s cannot be reached while the instrument shows itself as a drive. Connect it by network or serial line."
                            .formatted(what),
                    null);
        }
    }

    /** Any other error the instrument reports. */
    public static final class Refused extends LinkException {
        private static final long serialVersionUID = 1L;

        public Refused(String command, String error) {
            super("link.refused", "The instrument refused %s: %s.".formatted(command, error), null);
        }
    }

    /** A text would not reach the instrument as the one command it is meant to be. */
    public static final class Unsendable extends LinkException {
        private static final long serialVersionUID = 1L;

        public Unsendable() {
            super(
                    "link.unsendable",
                    "A name or code for the instrument holds a line break or another control character. Nothing "
                            + "was sent; write it without.",
                    null);
        }
    }

    /** An answer that goes on for longer than any instrument needs. */
    public static final class TooSlow extends LinkException {
        private static final long serialVersionUID = 1L;

        public TooSlow(long seconds) {
            super(
                    "link.too-slow",
                    ("What answers there is not through after %d s: that is no instrument, or its line is "
                                    + "disturbed. Check the line and try again.")
                            .formatted(seconds),
                    null);
        }
    }

    /** What may be done with the instrument is no longer ours to decide. */
    public static final class TakenOver extends LinkException {
        private static final long serialVersionUID = 1L;

        public TakenOver() {
            super(
                    "link.taken-over",
                    "Somebody else works with the instrument by now: this server was not heard of for too long. "
                            + "Nothing more was changed on it; look at it, then try again.",
                    null);
        }
    }

    /** Somebody stopped the transfer. */
    public static final class Stopped extends LinkException {
        private static final long serialVersionUID = 1L;

        public Stopped() {
            super("link.stopped", "Stopped. What had arrived is kept; the next try goes on from there.", null);
        }
    }
}
