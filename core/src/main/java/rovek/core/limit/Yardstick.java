package rovek.core.limit;

import java.util.Objects;
import java.util.Optional;
import rovek.core.wording.Sentence;

/**
 * What a rule comes to for one reading.
 *
 * @param bounds empty where the rule cannot be applied
 * @param missing why not; blank where it can
 */
public record Yardstick(Optional<Bounds> bounds, Sentence missing) {

    static Yardstick of(Bounds bounds) {
        return new Yardstick(Optional.of(Objects.requireNonNull(bounds)), Sentence.NONE);
    }

    static Yardstick missing(Sentence reason) {
        return new Yardstick(Optional.empty(), reason);
    }
}
