package rovek.core.plant;

import java.util.List;
import rovek.core.wording.Sentence;

/** A change that cannot be, with every reason at once, each a sentence. */
public final class PlantRefusedException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient List<Reason> reasons;

    /**
     * What is wrong: {@code gone}, {@code level}, {@code circle}, {@code name} or {@code children}, and the sentence.
     */
    public record Reason(String code, Sentence sentence) {}

    public PlantRefusedException(List<Reason> reasons) {
        super(Sentence.joined(reasons.stream().map(Reason::sentence).toList()).toString());
        this.reasons = List.copyOf(reasons);
    }

    public List<Reason> reasons() {
        return reasons;
    }
}
