package rovek.server.base.problem;

import java.io.IOException;

/** More came than may. Its message is the sentence for whoever sent it. */
public final class TooLarge extends IOException {

    private static final long serialVersionUID = 1L;

    public TooLarge(String sentence) {
        super(sentence);
    }
}
