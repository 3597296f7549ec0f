package rovek.server.base.problem;

import java.io.IOException;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.Wording;

/** More came than may. */
public final class TooLarge extends IOException {

    private static final long serialVersionUID = 1L;

    private final transient Sentence sentence;

    public TooLarge(Sentence sentence) {
        super(Wording.SHIPPED.of(sentence, Wording.USUAL));
        this.sentence = sentence;
    }

    /** For whoever sent it. */
    public Sentence sentence() {
        return sentence;
    }
}
