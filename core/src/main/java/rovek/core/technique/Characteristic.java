package rovek.core.technique;

import rovek.core.unit.Amount;
import rovek.core.wording.Sentence;

/** Something a nameplate makes known beforehand, e.g. the frequency at which a defect would show. */
public record Characteristic(String id, Amount value) {

    public static Sentence called(String id) {
        return Sentence.named("names.frequency:" + id, id);
    }

    public Sentence called() {
        return called(id);
    }
}
