package rovek.server.base.job;

/** Work was stopped as somebody asked; what was done until then stays or not, as the sentence says. */
public final class JobStopped extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public JobStopped(String sentence) {
        super(sentence, null, false, false);
    }
}
