package rovek.core.technique;

import java.util.List;

/**
 * Something a capture shows, with what it is seen by. Never a verdict: it helps a person to say why.
 *
 * @param code stable, for programs
 * @param sentence for people
 * @param curve name of the curve it is seen in
 * @param evidence where on that curve
 */
public record Finding(String code, String sentence, String curve, List<EvidenceMark> evidence) {

    /** A place on a curve's horizontal axis, in the unit of that axis. */
    public record EvidenceMark(String name, double at) {}

    public Finding {
        evidence = List.copyOf(evidence);
    }
}
