package rovek.link.packet;

import tools.jackson.core.JacksonException;

/** Taking a package apart, where what it says may be sound JSON and yet impossible. */
final class Understanding {

    private Understanding() {}

    @FunctionalInterface
    interface Step<T> {
        T take() throws PackageException;
    }

    /** @throws PackageException also where a number, a time or an id is none that there can be */
    static <T> T of(Step<T> step) throws PackageException {
        try {
            return step.take();
        } catch (JacksonException e) {
            throw PackageException.invalid("what it says", e.getOriginalMessage());
        } catch (IllegalArgumentException e) {
            throw PackageException.invalid("what it says", String.valueOf(e.getMessage()));
        }
    }
}
