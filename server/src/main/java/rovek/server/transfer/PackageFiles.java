package rovek.server.transfer;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.link.Sha256;
import rovek.link.packet.Maker;
import rovek.link.packet.PackageException;
import rovek.link.packet.ReadingsPackage;
import rovek.server.instrument.InstrumentView;
import rovek.server.instrument.Instruments;
import rovek.server.job.JobView;
import rovek.server.job.Jobs;
import rovek.server.problem.DomainProblem;
import rovek.server.visit.VisitIntake;

/** Field packages that come as a file, and originals that go out as one: the same bytes both ways. */
@Service
public class PackageFiles {

    private final Instruments instruments;
    private final Originals originals;
    private final OriginalIntake intake;
    private final Jobs jobs;

    PackageFiles(Instruments instruments, Originals originals, OriginalIntake intake, Jobs jobs) {
        this.instruments = instruments;
        this.originals = originals;
        this.intake = intake;
        this.jobs = jobs;
    }

    /**
     * Takes a field package as if its instrument had been read back: the original is kept first, then its readings are made.
     * What is stored already, whichever way it came, is not stored again. Times are as the instrument wrote them.
     *
     * @throws DomainProblem.Invalid where the file is no readings of an instrument; nothing is kept then
     */
    public JobView take(String fileName, byte[] bytes) {
        InstrumentView instrument = instruments.metInAFile(maker(bytes));
        // Kept at once: a job that waits for its turn holds no file in memory.
        Originals.Kept original = originals.keep(instrument.id(), plain(fileName), Sha256.of(bytes), bytes, true);
        long size = bytes.length;
        return jobs.start("read back", "Reading back " + plain(fileName), instrument.id(), progress -> {
            progress.report(size / 2, size, "Making readings");
            return readingsOf(original, instrument.id());
        });
    }

    private static Maker maker(byte[] bytes) {
        try {
            return ReadingsPackage.unpack(bytes).maker();
        } catch (PackageException e) {
            throw new DomainProblem.Invalid("file", e.getMessage());
        }
    }

    /**
     * Takes readings that were made here, by hand or from a table, the way all others go: as an original first.
     *
     * @param fileName of the original
     */
    public VisitIntake.Outcome takeMadeHere(String fileName, byte[] bytes) {
        return takeMadeHere(fileName, bytes, false);
    }

    /** As {@link #takeMadeHere(String, byte[])}, of a file in another form, as it was brought. */
    public VisitIntake.Outcome takeMadeOfAFile(String fileName, byte[] bytes) {
        return takeMadeHere(fileName, bytes, true);
    }

    private VisitIntake.Outcome takeMadeHere(String fileName, byte[] bytes, boolean asFile) {
        try {
            return takeMadeHere(fileName, bytes, instruments.metInAFile(ReadingsPackage.unpack(bytes).maker()).id(), asFile);
        } catch (PackageException e) {
            throw new IllegalStateException("What was packed here cannot be taken. " + e.getMessage(), e);
        }
    }

    /** As {@link #takeMadeHere(String, byte[])}, of readings whose instrument is known. */
    public VisitIntake.Outcome takeMadeHere(String fileName, byte[] bytes, UUID instrument) {
        return takeMadeHere(fileName, bytes, instrument, false);
    }

    private VisitIntake.Outcome takeMadeHere(String fileName, byte[] bytes, UUID instrument, boolean asFile) {
        try {
            OriginalIntake.Taken taken = intake.take(originals.keep(instrument, plain(fileName), Sha256.of(bytes), bytes, asFile), instrument, Optional.empty());
            if (!taken.leftOut().isEmpty()) {
                throw new IllegalStateException("What was packed here cannot be taken. " + taken.leftOut().get(0).reason());
            }
            return taken.visit();
        } catch (PackageException e) {
            throw new IllegalStateException("What was packed here cannot be taken. " + e.getMessage(), e);
        }
    }

    /** Without a folder: a browser may send one, and an archive is unpacked beside others. */
    private static String plain(String fileName) {
        String name = fileName == null ? "" : fileName.replaceAll("^.*[/\\\\]", "").replaceAll("\\p{Cntrl}", "").strip();
        return name.isEmpty() ? "package.zip" : name.substring(0, Math.min(name.length(), 120));
    }

    /** Makes the readings of an original once more; what is there already stays as it is. */
    public JobView takeAgain(UUID originalId) {
        Originals.OriginalFile file = originals.file(originalId);
        return jobs.start("read back", "Taking " + file.fileName() + " again", file.instrumentId(), progress ->
                readingsOf(originals.find(file.instrumentId(), file.sha256()).orElseThrow(), file.instrumentId()));
    }

    private String readingsOf(Originals.Kept original, UUID instrumentId) throws PackageException {
        return intake.take(original, instrumentId, Optional.empty()).sentence();
    }

    /** An original as a file. */
    public record Download(String name, String sha256, byte[] bytes) {}

    /** @throws DomainProblem.Conflict where the stored bytes are not what was read back */
    public Download download(UUID originalId) {
        Originals.OriginalFile file = originals.file(originalId);
        byte[] bytes = originals.bytes(originalId);
        if (!Sha256.of(bytes).equals(file.sha256())) {
            throw new DomainProblem.Conflict("changed", "The stored original is not what was read back: its digest differs. Restore it from a backup.");
        }
        InstrumentView instrument = instruments.get(file.instrumentId());
        String name = "%s-%s-%s".formatted(instrument.model(), instrument.serial().isEmpty() ? instrument.knownBy() : instrument.serial(), plain(file.fileName()));
        return new Download(name.replaceAll("[^A-Za-z0-9._-]", "_"), file.sha256(), bytes);
    }
}
