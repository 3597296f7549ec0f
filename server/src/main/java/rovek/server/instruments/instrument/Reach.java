package rovek.server.instruments.instrument;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.link.InstrumentAddress;
import rovek.server.base.problem.DomainProblem;

/**
 * Where an instrument is reached.
 *
 * @param place host, device or folder
 * @param number port, or baud of a line; 0 for a folder
 */
public record Reach(Kind kind, String place, int number) {

    /** How it is reached. */
    public enum Kind {
        NETWORK,
        LINE,
        FOLDER
    }

    public Reach {
        place = place.strip();
        number = kind == Kind.FOLDER ? 0 : number;
    }

    /** @throws DomainProblem.Invalid where there can be no such place */
    InstrumentAddress address() {
        try {
            return switch (kind) {
                case NETWORK -> new InstrumentAddress.Network(place, number);
                case LINE -> new InstrumentAddress.Line(place, number);
                case FOLDER -> new InstrumentAddress.Folder(Path.of(place));
            };
        } catch (Refused e) {
            throw new DomainProblem.Invalid("place", e.sentence());
        } catch (InvalidPathException e) {
            throw new DomainProblem.Invalid("place", Sentence.of("instruments.noSuchFolder", "folder", place));
        }
    }
}
