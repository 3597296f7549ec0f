package rovek.server.transfer;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.link.Sha256;
import rovek.link.packet.ReadingsPackage;
import rovek.server.audit.AuditTrail;
import rovek.server.problem.DomainProblem;

/** The bytes as instruments gave them, kept for ever, and the pieces of those that are still on their way. */
@Service
class Originals {

    private static final Duration KEPT_UNFINISHED = Duration.ofDays(30);

    private final JdbcClient db;
    private final AuditTrail audit;
    private final Clock clock;

    /** More reasons than this say nothing that the first ones do not. */
    private static final int MOST_REASONS = 50;

    Originals(JdbcClient db, AuditTrail audit, Clock clock) {
        this.db = db;
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
            UUID id, String fileName, String sha256, long size, String readBackAt, String readBackBy, int newReadings, int knownReadings, List<String> leftOut,
            List<String> unknownUnits) {}

    @Transactional(readOnly = true)
    public Optional<Kept> find(UUID instrumentId, String sha256) {
        return db.sql("""
                SELECT o.id, o.read_back_at, i.original_id IS NOT NULL FROM original o
                LEFT JOIN original_intake i ON i.original_id = o.id WHERE o.instrument_id = ? AND o.sha256 = ?""")
                .param(instrumentId).param(sha256)
                .query((row, n) -> new Kept(row.getObject(1, UUID.class), row.getObject(2, OffsetDateTime.class), row.getBoolean(3)))
                .optional();
    }

    @Transactional(readOnly = true)
    public byte[] bytes(UUID id) {
        return db.sql("SELECT bytes FROM original WHERE id = ?").param(id).query(byte[].class).single();
    }

    @Transactional(readOnly = true)
    public long size(UUID id) {
        return db.sql("SELECT size FROM original WHERE id = ?").param(id).query(Long.class).single();
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
                        row.getObject(1, UUID.class), row.getString(2), row.getString(3), row.getLong(4),
                        row.getObject(5, OffsetDateTime.class).toInstant().toString(), row.getString(6), row.getInt(7), row.getInt(8),
                        row.getString(9).lines().toList(), row.getString(10).lines().toList()))
                .list();
    }

    /** Which file of which instrument an original is. */
    record OriginalFile(UUID instrumentId, String fileName, String sha256) {}

    @Transactional(readOnly = true)
    public OriginalFile file(UUID id) {
        return db.sql("SELECT instrument_id, file_name, sha256 FROM original WHERE id = ?").param(id)
                .query((row, n) -> new OriginalFile(row.getObject(1, UUID.class), row.getString(2), row.getString(3)))
                .optional()
                .orElseThrow(() -> new DomainProblem.NotFound("The original"));
    }

    /** How much of a file has arrived without a gap. */
    @Transactional(readOnly = true)
    public long arrived(UUID instrumentId, String sha256) {
        long upTo = 0;
        for (long[] piece : pieces(instrumentId, sha256)) {
            if (piece[0] != upTo) {
                break;
            }
            upTo += piece[1];
        }
        return upTo;
    }

    private List<long[]> pieces(UUID instrumentId, String sha256) {
        return db.sql("SELECT first_byte, length(bytes) FROM transfer_piece WHERE instrument_id = ? AND sha256 = ? ORDER BY first_byte")
                .param(instrumentId).param(sha256)
                .query((row, n) -> new long[] {row.getLong(1), row.getLong(2)})
                .list();
    }

    /** Whether a read-back of a file has begun and not ended. */
    @Transactional(readOnly = true)
    public boolean isTransferBegun(UUID instrumentId, String sha256) {
        return db.sql("SELECT EXISTS (SELECT 1 FROM transfer_piece WHERE instrument_id = ? AND sha256 = ? AND NOT for_preview)")
                .params(instrumentId, sha256).query(Boolean.class).single();
    }

    @Transactional
    public void keepPiece(UUID instrumentId, String sha256, long firstByte, byte[] bytes, boolean forPreview) {
        db.sql("INSERT INTO transfer_piece (instrument_id, sha256, first_byte, bytes, for_preview) VALUES (?, ?, ?, ?, ?) ON CONFLICT DO NOTHING")
                .param(instrumentId).param(sha256).param(firstByte).param(bytes).param(forPreview)
                .update();
    }

    /** Drops pieces of transfers that nobody went on with for a month: the instrument still has them, or they came another way. */
    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void dropOldPieces() {
        db.sql("DELETE FROM transfer_piece WHERE arrived_at < ?").param(clock.instant().minus(KEPT_UNFINISHED).atOffset(ZoneOffset.UTC)).update();
    }

    @Transactional
    public void dropPieces(UUID instrumentId, String sha256) {
        db.sql("DELETE FROM transfer_piece WHERE instrument_id = ? AND sha256 = ?").param(instrumentId).param(sha256).update();
    }

    /** What has arrived of a file, put together. */
    @Transactional(readOnly = true)
    public byte[] arrivedBytes(UUID instrumentId, String sha256) {
        return joined(db.sql("SELECT bytes FROM transfer_piece WHERE instrument_id = ? AND sha256 = ? ORDER BY first_byte")
                .param(instrumentId).param(sha256).query(byte[].class).list());
    }

    /**
     * Puts the pieces together and keeps them as an original, if they are what the instrument said.
     *
     * @return the original; empty when the digest differs, and then the pieces are gone
     */
    @Transactional
    public Optional<Kept> assemble(UUID instrumentId, String fileName, String sha256) {
        byte[] whole = arrivedBytes(instrumentId, sha256);
        dropPieces(instrumentId, sha256);
        if (!Sha256.of(whole).equals(sha256)) {
            return Optional.empty();
        }
        return Optional.of(keep(instrumentId, fileName, sha256, whole));
    }

    /** Keeps bytes as an original; the same bytes of the same instrument are kept once, whichever way they come. */
    @Transactional
    public Kept keep(UUID instrumentId, String fileName, String sha256, byte[] whole) {
        return keep(instrumentId, fileName, sha256, whole, false);
    }

    /** @param asFile whether it was brought as a file, so that nobody but who brought it knows where it comes from */
    @Transactional
    public Kept keep(UUID instrumentId, String fileName, String sha256, byte[] whole, boolean asFile) {
        UUID id = UUID.randomUUID();
        OffsetDateTime now = clock.instant().atOffset(ZoneOffset.UTC);
        boolean isNew = db.sql("""
                INSERT INTO original (id, instrument_id, file_name, sha256, size, bytes, read_back_at, read_back_by, as_file)
                VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT (instrument_id, sha256) DO NOTHING""")
                .params(id, instrumentId, fileName, sha256, whole.length, whole, now, AuditTrail.actor(), asFile)
                .update() == 1;
        if (!isNew && !asFile) {
            // The very same bytes from the instrument itself: now it is known where they come from.
            db.sql("UPDATE original SET as_file = false WHERE instrument_id = ? AND sha256 = ? AND as_file").params(instrumentId, sha256).update();
        }
        if (isNew) {
            audit.note("keep original", "original", id, null, new OriginalLine(id, fileName, sha256, whole.length, now.toString(), AuditTrail.actor(), 0, 0, List.of(), List.of()));
        }
        return find(instrumentId, sha256).orElseThrow();
    }

    private static byte[] joined(List<byte[]> parts) {
        byte[] whole = new byte[parts.stream().mapToInt(part -> part.length).sum()];
        int at = 0;
        for (byte[] part : new ArrayList<>(parts)) {
            System.arraycopy(part, 0, whole, at, part.length);
            at += part.length;
        }
        return whole;
    }

    /**
     * Notes that an original's readings were made, to be called in the transaction that makes them. How many were new says the first time; what
     * could not be taken, the latest.
     */
    void noteTaken(UUID originalId, int fresh, int known, List<ReadingsPackage.LeftOut> leftOut) {
        String reasons = leftOut.stream().limit(MOST_REASONS).map(one -> one.reason().replaceAll("\\R", " ")).collect(Collectors.joining("\n"));
        String units = leftOut.stream().map(ReadingsPackage.LeftOut::unknownUnit).filter(unit -> !unit.isBlank()).distinct().limit(MOST_REASONS)
                .collect(Collectors.joining("\n"));
        db.sql("""
                INSERT INTO original_intake (original_id, at, new_readings, known_readings, left_out, unknown_units) VALUES (?, ?, ?, ?, ?, ?)
                ON CONFLICT (original_id) DO UPDATE SET left_out = excluded.left_out, unknown_units = excluded.unknown_units,
                    new_readings = original_intake.new_readings + excluded.new_readings""")
                .params(originalId, clock.instant().atOffset(ZoneOffset.UTC), fresh, known, reasons, units)
                .update();
    }
}
