package rovek.core.plant;

import java.util.List;

/** A change that cannot be, with every reason at once, each a sentence. */
public final class PlantRefusedException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient List<Reason> reasons;

    /**
     * What is wrong: {@code gone}, {@code level}, {@code circle}, {@code name} or {@code beneath}, and the sentence.
     */
    public record Reason(String code, String sentence) {}

    public PlantRefusedException(List<Reason> reasons) {
        super(String.join(" ", reasons.stream().map(Reason::sentence).toList()));
        this.reasons = List.copyOf(reasons);
    }

    public List<Reason> reasons() {
        return reasons;
    }
}
