package rovek.server.base.problem;

import java.util.List;
import java.util.UUID;

/**
 * What a person can correct: each kind has a stable code and a sentence that says the remedy. Only these become answers
 * in the four-hundreds; anything else is a fault of the server.
 */
public abstract sealed class DomainProblem extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String code;

    private DomainProblem(String code, String sentence) {
        super(sentence);
        this.code = code;
    }

    public String code() {
        return code;
    }

    /** One field's fault. */
    public record Fault(String field, String reason) {}

    /** What was asked for is not there, or no longer. */
    public static final class NotFound extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public NotFound(String what) {
            super("not-found", what + " is not here any more. Somebody may have removed it; look at the list again.");
        }
    }

    /** Somebody else changed it first. */
    public static final class Stale extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public Stale(String what) {
            super(
                    "stale",
                    what + " was changed by someone else since you opened it. Nothing was overwritten; look at "
                            + "it again and repeat your change.");
        }
    }

    /** It cannot be done as things stand. */
    public static final class Conflict extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public Conflict(String code, String sentence) {
            super(code, sentence);
        }
    }

    /**
     * One thing of one node that two people changed.
     *
     * @param facet what of it
     * @param theirs as it stands now
     * @param yours what the later one wants
     * @param theirsSaid as people read it, likewise {@code yoursSaid}
     * @param by who changed it first; blank where that is not known, likewise {@code at}
     */
    public record Clash(
            UUID node,
            String label,
            String facet,
            String theirs,
            String yours,
            String theirsSaid,
            String yoursSaid,
            String by,
            String at) {}

    /** Somebody else changed the very same thing first; both are told, so that a person chooses. */
    public static final class Contradiction extends DomainProblem {
        private static final long serialVersionUID = 1L;
        private final transient List<Clash> clashes;

        public Contradiction(List<Clash> clashes) {
            super(
                    "contradiction",
                    "Somebody else changed the same thing since you opened it. Nothing was overwritten; choose which shall stand.");
            this.clashes = List.copyOf(clashes);
        }

        public List<Clash> clashes() {
            return clashes;
        }
    }

    /** What was entered cannot be; every fault at once. */
    public static final class Invalid extends DomainProblem {
        private static final long serialVersionUID = 1L;
        private final transient List<Fault> faults;

        public Invalid(List<Fault> faults) {
            super("invalid", String.join(" ", faults.stream().map(Fault::reason).toList()));
            this.faults = List.copyOf(faults);
        }

        public Invalid(String field, String reason) {
            this(List.of(new Fault(field, reason)));
        }

        public List<Fault> faults() {
            return faults;
        }
    }

    /** Too many tries at a password. */
    public static final class TooManyTries extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public TooManyTries(long seconds) {
            super("too-many-tries", "Too many tries. Wait %d s, then try again.".formatted(seconds));
        }
    }

    /** Name or password is wrong. */
    public static final class NotSignedIn extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public NotSignedIn(String sentence) {
            super("not-signed-in", sentence);
        }
    }

    /** Others have all the room there is just now. */
    public static final class Busy extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public Busy() {
            super(
                    "busy",
                    "The server is busy with other large files just now. Nothing of this was taken; try again in a minute.");
        }
    }

    /** The instrument or the way to it. */
    public static final class LinkTrouble extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public LinkTrouble(String code, String sentence) {
            super(code, sentence);
        }
    }
}
