package rovek.server.intake.transfer;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.link.packet.ReadingsPackage;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;

/** The bytes as instruments gave them, kept for ever. */
@Service
class Originals {

    private final JdbcClient db;
    private final Pieces pieces;
    private final AuditTrail audit;
    private final Clock clock;

    /** More reasons than this say nothing that the first ones do not. */
    private static final int MOST_REASONS = 50;

    Originals(JdbcClient db, Pieces pieces, AuditTrail audit, Clock clock) {
        this.db = db;
        this.pieces = pieces;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * A kept original.
     *
     * @param taken whether its readings were made
     */
    record Kept(UUID id, OffsetDateTime readBackAt, boolean taken) {}

    /**
     * A line in the list of everything that was ever read back.
     *
     * @param leftOut what of it could not be taken, and why, a line each
     * @param unknownUnits that keep some of it from being taken, as the instrument writes them
     */
    record OriginalLine(
            UUID id,
            String fileName,
            String sha256,
            long size,
            String readBackAt,
            String readBackBy,
            int newReadings,
            int knownReadings,
            List<String> leftOut,
            List<String> unknownUnits) {}

    @Transactional(readOnly = true)
    public Optional<Kept> find(UUID instrumentId, String sha256) {
        return db.sql("""
                SELECT o.id, o.read_back_at, i.original_id IS NOT NULL FROM original o
                LEFT JOIN original_intake i ON i.original_id = o.id WHERE o.instrument_id = ? AND o.sha256 = ?""")
                .param(instrumentId)
                .param(sha256)
                .query((row, n) -> new Kept(
                        row.getObject(1, UUID.class), row.getObject(2, OffsetDateTime.class), row.getBoolean(3)))
                .optional();
    }

    @Transactional(readOnly = true)
    public List<OriginalLine> list(UUID instrumentId) {
        return db.sql("""
                SELECT o.id, file_name, sha256, size, read_back_at, read_back_by, coalesce(new_readings, 0), coalesce(known_readings, 0),
                    coalesce(left_out, ''), coalesce(unknown_units, '')
                FROM original o LEFT JOIN original_intake i ON i.original_id = o.id
                WHERE instrument_id = ? ORDER BY read_back_at DESC LIMIT 500""")
                .param(instrumentId)
                .query((row, n) -> new OriginalLine(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getLong(4),
                        row.getObject(5, OffsetDateTime.class).toInstant().toString(),
                        row.getString(6),
                        row.getInt(7),
                        row.getInt(8),
                        row.getString(9).lines().toList(),
                        row.getString(10).lines().toList()))
                .list();
    }

    /** Which file of which instrument an original is. */
    record OriginalFile(UUID instrumentId, String fileName, String sha256) {}

    @Transactional(readOnly = true)
    public OriginalFile file(UUID id) {
        return db.sql("SELECT instrument_id, file_name, sha256 FROM original WHERE id = ?")
                .param(id)
                .query((row, n) -> new OriginalFile(row.getObject(1, UUID.class), row.getString(2), row.getString(3)))
                .optional()
                .orElseThrow(() -> new DomainProblem.NotFound("The original"));
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
            throw new DomainProblem.Conflict(
                    "changed",
                    "The stored original is not what was read back: its digest differs. Restore it from a backup.");
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
        OffsetDateTime now = clock.instant().atOffset(ZoneOffset.UTC);
        boolean isNew = db.sql("""
                INSERT INTO original (id, instrument_id, file_name, sha256, size, read_back_at, read_back_by, as_file)
                VALUES (?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT (instrument_id, sha256) DO NOTHING""")
                        .params(id, instrumentId, fileName, file.sha256(), file.size(), now, AuditTrail.actor(), asFile)
                        .update()
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
        db.sql("UPDATE original SET as_file = false WHERE instrument_id = ? AND sha256 = ? AND as_file RETURNING id")
                .params(instrumentId, sha256)
                .query(UUID.class)
                .optional()
                .ifPresent(id -> audit.note(
                        "seen on its instrument", "original", id, new CameAsFile(true), new CameAsFile(false)));
    }

    /**
     * Notes that an original's readings were made, to be called in the transaction that makes them. How many were new
     * says the first time; what could not be taken, the latest.
     */
    void noteTaken(UUID originalId, int fresh, int known, List<ReadingsPackage.LeftOut> leftOut) {
        String reasons = leftOut.stream()
                .limit(MOST_REASONS)
                .map(one -> one.reason().replaceAll("\\R", " "))
                .collect(Collectors.joining("\n"));
        String units = leftOut.stream()
                .map(ReadingsPackage.LeftOut::unknownUnit)
                .filter(unit -> !unit.isBlank())
                .distinct()
                .limit(MOST_REASONS)
                .collect(Collectors.joining("\n"));
        db.sql("""
                INSERT INTO original_intake (original_id, at, new_readings, known_readings, left_out, unknown_units)
                    VALUES (?, ?, ?, ?, ?, ?)
                ON CONFLICT (original_id) DO UPDATE SET left_out = excluded.left_out, unknown_units = excluded.unknown_units,
                    new_readings = original_intake.new_readings + excluded.new_readings""")
                .params(originalId, clock.instant().atOffset(ZoneOffset.UTC), fresh, known, reasons, units)
                .update();
    }
}
