package rovek.link.packet;

import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import tools.jackson.core.JacksonException;

/** Taking a package apart, where what it says may be sound JSON and yet impossible. */
final class Understanding {

    private static final Sentence CONTENT = Sentence.of("packet.says");

    private Understanding() {}

    @FunctionalInterface
    interface Step<T> {
        T take() throws PackageException;
    }

    /** @throws PackageException also where a number, a time or an id is none that there can be */
    static <T> T of(Step<T> step) throws PackageException {
        try {
            return step.take();
        } catch (IllegalArgumentException | JacksonException e) {
            throw PackageException.invalid(CONTENT, why(e));
        }
    }

    /** What it says is impossible: in our words where it was found here, in a library's where it was found there. */
    static Sentence why(RuntimeException impossible) {
        if (impossible instanceof Refused refused) {
            return refused.sentence();
        }
        return Sentence.plain(
                impossible instanceof JacksonException json
                        ? json.getOriginalMessage()
                        : String.valueOf(impossible.getMessage()));
    }
}
