package rovek.server.base.job;

import rovek.core.wording.Sentence;

/** Work was stopped as somebody asked; what was done until then stays or not, as the sentence says. */
public final class JobStopped extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient Sentence sentence;

    public JobStopped(Sentence sentence) {
        super(sentence.toString(), null, false, false);
        this.sentence = sentence;
    }

    public Sentence sentence() {
        return sentence;
    }
}
