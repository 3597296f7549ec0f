package rovek.server.transfer;

import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.core.reading.ClockCorrection;
import rovek.link.packet.PackageException;
import rovek.link.packet.ReadingsPackage;
import rovek.server.visit.VisitIntake;

/** Makes the readings of an original, whichever way it came. Doing it again makes only what is missing. */
@Service
class OriginalIntake {

    private final Originals originals;
    private final VisitIntake visits;

    OriginalIntake(Originals originals, VisitIntake visits) {
        this.originals = originals;
        this.visits = visits;
    }

    VisitIntake.Outcome take(Originals.Kept original, UUID instrumentId, ClockCorrection correction) throws PackageException {
        ReadingsPackage readings = ReadingsPackage.unpack(originals.bytes(original.id()));
        return visits.take(readings, new VisitIntake.Source(original.id(), instrumentId, correction), stored -> {
            if (!original.taken()) {
                originals.noteTaken(original.id(), stored.fresh(), stored.known());
            }
        });
    }

    /** What came of it, in a sentence. */
    static String sentence(int fresh, int known, int loose) {
        String knownPart = known == 0 ? "" : ", %d stored before".formatted(known);
        String loosePart = loose == 0 ? "" : ", %d of them loose".formatted(loose);
        return "%d new %s%s%s. The originals are kept and their digests agree.".formatted(fresh, fresh == 1 ? "reading" : "readings", loosePart, knownPart);
    }
}
