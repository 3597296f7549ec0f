package rovek.server.judging.original;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Sentence;
import rovek.link.packet.ReadingsPackage;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.records.Parts;
import rovek.server.base.wording.StoredSentence;

/** The bytes as instruments gave them, kept for ever. */
@Service
public class Originals {

    private final OriginalRepository originals;
    private final TakenRepository taken;
    private final Pieces pieces;
    private final AuditTrail audit;
    private final Clock clock;

    /** More reasons than this say nothing that the first ones do not. */
    private static final int MOST_REASONS = 50;

    private static final int MOST_LISTED = 500;

    Originals(OriginalRepository originals, TakenRepository taken, Pieces pieces, AuditTrail audit, Clock clock) {
        this.originals = originals;
        this.taken = taken;
        this.pieces = pieces;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * A kept original.
     *
     * @param taken whether its readings were made
     */
    public record Kept(UUID id, Instant readBackAt, boolean taken) {}

    /**
     * A line in the list of everything that was ever read back.
     *
     * @param leftOut what of it could not be taken, and why, a line each
     * @param unknownUnits that keep some of it from being taken, as the instrument writes them
     */
    public record OriginalLine(
            UUID id,
            String fileName,
            String sha256,
            long size,
            String readBackAt,
            String readBackBy,
            int newReadings,
            int knownReadings,
            List<Sentence> leftOut,
            List<String> unknownUnits) {}

    @Transactional(readOnly = true)
    public Optional<Kept> find(UUID instrumentId, String sha256) {
        return originals
                .find(instrumentId, sha256)
                .map(line -> new Kept(line.original().id, line.original().readBackAt, line.taken() != null));
    }

    @Transactional(readOnly = true)
    public List<OriginalLine> list(UUID instrumentId) {
        return originals.list(instrumentId, Limit.of(MOST_LISTED)).stream()
                .map(Originals::line)
                .toList();
    }

    private static OriginalLine line(OriginalRepository.Line kept) {
        OriginalEntity original = kept.original();
        TakenEntity made = kept.taken();
        return new OriginalLine(
                original.id,
                original.fileName,
                original.sha256,
                original.size,
                original.readBackAt.toString(),
                original.readBackBy,
                made == null ? 0 : made.newReadings,
                made == null ? 0 : made.knownReadings,
                made == null ? List.of() : StoredSentence.readAll(made.leftOut),
                made == null ? List.of() : made.unknownUnits.lines().toList());
    }

    /**
     * A file that was brought, instead of read from the instrument itself.
     *
     * @param by sign-in name of who brought it
     */
    public record Brought(String fileName, String by, Instant at) {}

    /** Those of some originals that somebody brought as files, oldest first, each once. */
    @Transactional(readOnly = true)
    public List<Brought> broughtAsFiles(Collection<UUID> ids) {
        return Parts.asked(Set.copyOf(ids), originals::broughtAsFiles).stream()
                .map(one -> new Brought(one.fileName, one.readBackBy, one.readBackAt))
                .distinct()
                .toList();
    }

    /** Which file of which instrument an original is. */
    public record OriginalFile(UUID instrumentId, String fileName, String sha256) {}

    @Transactional(readOnly = true)
    public OriginalFile file(UUID id) {
        return originals
                .findById(id)
                .map(one -> new OriginalFile(one.instrumentId, one.fileName, one.sha256))
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.original")));
    }

    /**
     * A kept original on disk, to be worked on.
     *
     * @throws DomainProblem.Conflict where the stored bytes are not what was kept
     */
    public Spool spooled(UUID id) {
        Spool spool = Spool.of(out -> pieces.write(id, out));
        if (!spool.sha256().equals(file(id).sha256())) {
            spool.close();
            throw new DomainProblem.Conflict("changed", Sentence.of("judging.originalDamaged"));
        }
        return spool;
    }

    /**
     * Keeps what has arrived as an original.
     *
     * @param transferId under which its pieces are; the original's id from now on, unless the same bytes were kept in
     *     the meantime
     */
    @Transactional
    public Kept keepArrived(UUID transferId, UUID instrumentId, String fileName, Spool file) {
        if (isKeptNow(transferId, instrumentId, fileName, file, false)) {
            pieces.end(transferId);
        } else {
            pieces.drop(transferId);
        }
        return find(instrumentId, file.sha256()).orElseThrow();
    }

    /**
     * Keeps a file as an original; the same bytes of the same instrument are kept once, whichever way they come.
     *
     * @param asFile whether it was brought as a file, so that nobody but who brought it knows where it comes from
     */
    @Transactional
    public Kept keep(UUID instrumentId, String fileName, Spool file, boolean asFile) {
        UUID id = UUID.randomUUID();
        if (isKeptNow(id, instrumentId, fileName, file, asFile)) {
            try (InputStream in = Files.newInputStream(file.path())) {
                pieces.addAll(id, in);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return find(instrumentId, file.sha256()).orElseThrow();
    }

    private boolean isKeptNow(UUID id, UUID instrumentId, String fileName, Spool file, boolean asFile) {
        Instant now = clock.instant();
        boolean isNew = originals.addUnlessThere(
                        id, instrumentId, fileName, file.sha256(), file.size(), now, AuditTrail.actor(), asFile)
                == 1;
        if (isNew) {
            audit.note(
                    "keep original",
                    "original",
                    id,
                    null,
                    new OriginalLine(
                            id,
                            fileName,
                            file.sha256(),
                            file.size(),
                            now.toString(),
                            AuditTrail.actor(),
                            0,
                            0,
                            List.of(),
                            List.of()));
        } else if (!asFile) {
            noteOnInstrument(instrumentId, file.sha256());
        }
        return isNew;
    }

    private record CameAsFile(boolean asFile) {}

    /**
     * The very same bytes are on the instrument itself: where an original came as a file, it is known now where it
     * comes from.
     */
    @Transactional
    public void noteOnInstrument(UUID instrumentId, String sha256) {
        originals
                .find(instrumentId, sha256)
                .map(line -> line.original().id)
                .filter(id -> originals.noteOnInstrument(id) == 1)
                .ifPresent(id -> audit.note(
                        "seen on its instrument", "original", id, new CameAsFile(true), new CameAsFile(false)));
    }

    /**
     * Notes that an original's readings were made, to be called in the transaction that makes them. How many were new
     * says the first time; what could not be taken, the latest.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void noteTaken(UUID originalId, int fresh, int known, List<ReadingsPackage.LeftOut> leftOut) {
        String reasons = StoredSentence.writeAll(leftOut.stream()
                .limit(MOST_REASONS)
                .map(ReadingsPackage.LeftOut::reason)
                .toList());
        String units = leftOut.stream()
                .map(ReadingsPackage.LeftOut::unknownUnit)
                .filter(unit -> !unit.isBlank())
                .distinct()
                .limit(MOST_REASONS)
                .collect(Collectors.joining("\n"));
        taken.note(originalId, clock.instant(), fresh, known, reasons, units);
    }
}
