package rovek.core.wording;

/**
 * Something that was entered, or that came from outside, cannot be: the sentence says why and what to do. What only a
 * mistake in the program brings about is no such thing.
 */
public class Refused extends IllegalArgumentException {

    private static final long serialVersionUID = 1L;

    private final transient Sentence sentence;

    public Refused(Sentence sentence) {
        super(sentence.toString());
        this.sentence = sentence;
    }

    /** Why something was refused; what else went wrong with it says no more than the sentence given here. */
    public static Sentence why(RuntimeException fault, Sentence otherwise) {
        return fault instanceof Refused refused ? refused.sentence : otherwise;
    }

    /** What is said, to be worded; {@link #getMessage} is for the log. */
    public Sentence sentence() {
        return sentence;
    }
}
