package rovek.core.technique;

import java.util.List;
import rovek.core.wording.Sentence;

/**
 * Something a capture shows, with what it is seen by. Never a verdict: it helps a person to say why.
 *
 * @param code stable, for programs
 * @param sentence for people
 * @param curve id of the curve it is seen in
 * @param evidence where on that curve
 */
public record Finding(String code, Sentence sentence, String curve, List<EvidenceMark> evidence) {

    /** A place on a curve's horizontal axis, in the unit of that axis. */
    public record EvidenceMark(String id, Sentence name, double at) {

        /** A multiple or a side band, which is called the same everywhere. */
        public EvidenceMark(String sign, double at) {
            this(sign, Sentence.plain(sign), at);
        }
    }

    public Finding {
        evidence = List.copyOf(evidence);
    }
}
