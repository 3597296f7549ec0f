package rovek.core.technique;

import java.util.List;

/** Settings that a technique cannot work with; carries every fault as a sentence. */
public final class InvalidSettingsException extends IllegalArgumentException {

    private static final long serialVersionUID = 1L;

    private final List<String> faults;

    public InvalidSettingsException(List<String> faults) {
        super(String.join(" ", faults));
        this.faults = List.copyOf(faults);
    }

    public List<String> faults() {
        return faults;
    }
}
