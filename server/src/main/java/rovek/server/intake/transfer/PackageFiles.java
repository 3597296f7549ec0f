package rovek.server.intake.transfer;

import java.io.InputStream;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.core.wording.Sentence;
import rovek.link.packet.Maker;
import rovek.link.packet.PackageException;
import rovek.link.packet.ReadingsFile;
import rovek.server.base.job.JobView;
import rovek.server.base.job.Jobs;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.room.WorkingRoom;
import rovek.server.instruments.instrument.InstrumentView;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.judging.original.Originals;
import rovek.server.judging.original.Spool;
import rovek.server.rounds.visit.VisitIntake;

/** Field packages that come as a file, and originals that go out as one: the same bytes both ways. */
@Service
public class PackageFiles {

    private final Instruments instruments;
    private final Originals originals;
    private final OriginalIntake intake;
    private final Jobs jobs;
    private final WorkingRoom room;

    PackageFiles(Instruments instruments, Originals originals, OriginalIntake intake, Jobs jobs, WorkingRoom room) {
        this.instruments = instruments;
        this.originals = originals;
        this.intake = intake;
        this.jobs = jobs;
        this.room = room;
    }

    /**
     * Takes a field package as if its instrument had been read back: the original is kept first, then its readings are
     * made. What is stored already, whichever way it came, is not stored again. Times are as the instrument wrote them.
     *
     * @throws DomainProblem.Invalid where the file is no readings of an instrument; nothing is kept then
     */
    public JobView take(String fileName, InputStream bytes) {
        try (Spool file = Spool.of(bytes)) {
            InstrumentView instrument = instruments.metInAFile(maker(file));
            // Kept at once: a job that waits for its turn holds no file.
            Originals.Kept original = originals.keep(instrument.id(), plain(fileName), file, true);
            long size = file.size();
            return jobs.start(
                    "read back",
                    Sentence.of("intake.jobImporting", "file", plain(fileName)),
                    instrument.id(),
                    progress -> {
                        progress.report(size / 2, size, Sentence.of("intake.makingReadings"));
                        return readingsOf(original, instrument.id());
                    });
        }
    }

    private Maker maker(Spool file) {
        try (WorkingRoom.Taken taken = room.take(ReadingsFile.GLANCE_BYTES)) {
            return ReadingsFile.verified(file.path());
        } catch (PackageException e) {
            throw new DomainProblem.Invalid("file", e.sentence());
        }
    }

    /**
     * Takes readings that were made here, by hand or from a table, the way all others go: as an original first.
     *
     * @param fileName of the original
     */
    public VisitIntake.Outcome takeMadeHere(String fileName, byte[] bytes) {
        return takeMadeHere(fileName, bytes, Optional.empty(), false);
    }

    /** As {@link #takeMadeHere(String, byte[])}, of a file in another form, as it was brought. */
    public VisitIntake.Outcome takeMadeOfAFile(String fileName, byte[] bytes) {
        return takeMadeHere(fileName, bytes, Optional.empty(), true);
    }

    /** As {@link #takeMadeHere(String, byte[])}, of readings whose instrument is known. */
    public VisitIntake.Outcome takeMadeHere(String fileName, byte[] bytes, UUID instrument) {
        return takeMadeHere(fileName, bytes, Optional.of(instrument), false);
    }

    private VisitIntake.Outcome takeMadeHere(String fileName, byte[] bytes, Optional<UUID> known, boolean asFile) {
        try (Spool file = Spool.of(bytes)) {
            UUID instrument = known.isPresent()
                    ? known.get()
                    : instruments
                            .metInAFile(ReadingsFile.glance(file.path()).maker())
                            .id();
            OriginalIntake.Taken taken = intake.take(
                    originals.keep(instrument, plain(fileName), file, asFile), file, instrument, Optional.empty());
            if (!taken.leftOut().isEmpty()) {
                throw new IllegalStateException("What was packed here cannot be taken. "
                        + taken.leftOut().get(0).reason());
            }
            return taken.visit();
        } catch (PackageException e) {
            throw new IllegalStateException("What was packed here cannot be taken. " + e.getMessage(), e);
        }
    }

    /** Without a folder: a browser may send one, and an archive is unpacked beside others. */
    private static String plain(String fileName) {
        String name = fileName == null
                ? ""
                : fileName.replaceAll("^.*[/\\\\]", "")
                        .replaceAll("\\p{Cntrl}", "")
                        .strip();
        return name.isEmpty() ? "package.zip" : name.substring(0, Math.min(name.length(), 120));
    }

    /** Makes the readings of an original once more; what is there already stays as it is. */
    public JobView takeAgain(UUID originalId) {
        Originals.OriginalFile file = originals.file(originalId);
        return jobs.start(
                "read back",
                Sentence.of("intake.jobImportingAgain", "file", file.fileName()),
                file.instrumentId(),
                progress -> readingsOf(
                        originals.find(file.instrumentId(), file.sha256()).orElseThrow(), file.instrumentId()));
    }

    private Sentence readingsOf(Originals.Kept original, UUID instrumentId) throws PackageException {
        try (Spool file = originals.spooled(original.id())) {
            return intake.take(original, file, instrumentId, Optional.empty()).sentence();
        }
    }

    /**
     * An original as a file, to be closed once it is sent.
     *
     * @param name to save it under
     */
    record Download(String name, Spool file) {}

    /** @throws DomainProblem.Conflict where the stored bytes are not what was read back */
    Download download(UUID originalId) {
        Originals.OriginalFile file = originals.file(originalId);
        InstrumentView instrument = instruments.get(file.instrumentId());
        String name = "%s-%s-%s"
                .formatted(
                        instrument.model(),
                        instrument.serial().isEmpty() ? instrument.knownBy() : instrument.serial(),
                        plain(file.fileName()));
        return new Download(
                name.replaceAll("[^A-Za-z0-9._-]", "_").replaceAll("\\.{2,}", "."), originals.spooled(originalId));
    }
}
