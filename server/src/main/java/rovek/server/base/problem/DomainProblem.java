package rovek.server.base.problem;

import java.util.List;
import java.util.UUID;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.Wording;

/**
 * What a person can correct: each kind has a stable code and a sentence that says the remedy. Only these become answers
 * in the four-hundreds; anything else is a fault of the server.
 */
public abstract sealed class DomainProblem extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String code;
    private final transient Sentence sentence;

    private DomainProblem(String code, Sentence sentence) {
        super(Wording.SHIPPED.of(sentence, Wording.USUAL));
        this.code = code;
        this.sentence = sentence;
    }

    /** What is said, to be worded in the language of whoever asked; {@link #getMessage} is for the log. */
    public Sentence sentence() {
        return sentence;
    }

    public String code() {
        return code;
    }

    /** One field's fault. */
    public record Fault(String field, Sentence sentence) {

        /** A reason that is worded already. */
        public Fault(String field, String reason) {
            this(field, Sentence.plain(reason));
        }

        /** In the usual language. */
        public String reason() {
            return Wording.SHIPPED.of(sentence, Wording.USUAL);
        }
    }

    /** What was asked for is not there, or no longer. */
    public static final class NotFound extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public NotFound(Sentence what) {
            super("not-found", Sentence.of("base.notFound", "what", what));
        }
    }

    /** Somebody else changed it first. */
    public static final class Stale extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public Stale(Sentence what) {
            super("stale", Sentence.of("base.stale", "what", what));
        }
    }

    /** It cannot be done as things stand. */
    public static final class Conflict extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public Conflict(String code, Sentence sentence) {
            super(code, sentence);
        }

        /** What is worded already. */
        public Conflict(String code, String sentence) {
            super(code, Sentence.plain(sentence));
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
            Sentence label,
            String facet,
            String theirs,
            String yours,
            Sentence theirsSaid,
            Sentence yoursSaid,
            String by,
            String at) {}

    /** Somebody else changed the very same thing first; both are told, so that a person chooses. */
    public static final class Contradiction extends DomainProblem {
        private static final long serialVersionUID = 1L;
        private final transient List<Clash> clashes;

        public Contradiction(List<Clash> clashes) {
            super("contradiction", Sentence.of("base.contradiction"));
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
            super(
                    "invalid",
                    Sentence.joined(faults.stream().map(Fault::sentence).toList()));
            this.faults = List.copyOf(faults);
        }

        public Invalid(String field, Sentence reason) {
            this(List.of(new Fault(field, reason)));
        }

        /** A reason that is worded already. */
        public Invalid(String field, String reason) {
            this(field, Sentence.plain(reason));
        }

        public List<Fault> faults() {
            return faults;
        }
    }

    /** Too many tries at a password. */
    public static final class TooManyTries extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public TooManyTries(long seconds) {
            super("too-many-tries", Sentence.of("base.tooManyTries", "seconds", seconds));
        }
    }

    /** Name or password is wrong. */
    public static final class NotSignedIn extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public NotSignedIn(Sentence sentence) {
            super("not-signed-in", sentence);
        }
    }

    /** Others have all the room there is just now. */
    public static final class Busy extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public Busy() {
            super("busy", Sentence.of("base.busy"));
        }
    }

    /** The instrument or the way to it. */
    public static final class LinkTrouble extends DomainProblem {
        private static final long serialVersionUID = 1L;

        public LinkTrouble(String code, Sentence sentence) {
            super(code, sentence);
        }

        /** What is worded already. */
        public LinkTrouble(String code, String sentence) {
            super(code, Sentence.plain(sentence));
        }
    }
}
