package rovek.core.technique;

import java.util.List;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** Settings that a technique cannot work with; carries every fault as a sentence. */
public final class InvalidSettingsException extends Refused {

    private static final long serialVersionUID = 1L;

    private final transient List<Sentence> faults;

    public InvalidSettingsException(List<Sentence> faults) {
        super(Sentence.joined(faults));
        this.faults = List.copyOf(faults);
    }

    public List<Sentence> faults() {
        return faults;
    }
}
