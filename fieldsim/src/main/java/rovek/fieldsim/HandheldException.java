package rovek.fieldsim;

/** The handheld cannot do that now; the sentence is what its display would say. */
final class HandheldException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    HandheldException(String sentence) {
        super(sentence);
    }
}
