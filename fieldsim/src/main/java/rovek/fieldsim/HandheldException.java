package rovek.fieldsim;

import rovek.core.wording.Sentence;

/** The handheld cannot do that now; the sentence is what its display would say. */
final class HandheldException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient Sentence sentence;

    HandheldException(Sentence sentence) {
        super(PanelWords.ENGLISH.of(sentence));
        this.sentence = sentence;
    }

    Sentence sentence() {
        return sentence;
    }

    boolean isMemoryFull() {
        return sentence.key().startsWith("handheld.memoryFull");
    }
}
