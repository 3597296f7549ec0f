package rovek.server.judging.original;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Bytes of originals in pieces, and of those that are still on their way. Never more than a few pieces are in memory.
 */
@Service
public class Pieces {

    public static final int PIECE_BYTES = 128 << 10;

    private static final Duration KEPT_UNFINISHED = Duration.ofDays(30);

    @PersistenceContext
    private EntityManager entities;

    private final Clock clock;

    Pieces(Clock clock) {
        this.clock = clock;
    }

    /** The transfer of a file, begun now where it has not begun. */
    @Transactional
    public UUID begin(UUID instrumentId, String sha256, boolean forPreview) {
        entities.createQuery("""
                INSERT INTO TransferEntity (id, instrumentId, sha256, begunAt, forPreview)
                    VALUES (:id, :instrument, :sha256, :now, :preview)
                ON CONFLICT (instrumentId, sha256) DO NOTHING""")
                .setParameter("id", UUID.randomUUID())
                .setParameter("instrument", instrumentId)
                .setParameter("sha256", sha256)
                .setParameter("now", clock.instant())
                .setParameter("preview", forPreview)
                .executeUpdate();
        TransferEntity transfer = find(instrumentId, sha256).orElseThrow();
        transfer.forPreview = transfer.forPreview && forPreview;
        return transfer.id;
    }

    private Optional<TransferEntity> find(UUID instrumentId, String sha256) {
        return entities.createQuery(
                        "FROM TransferEntity WHERE instrumentId = :instrument AND sha256 = :sha256",
                        TransferEntity.class)
                .setParameter("instrument", instrumentId)
                .setParameter("sha256", sha256)
                .getResultStream()
                .findFirst();
    }

    /**
     * How much of a file has arrived for a read-back that has begun and not ended; 0 where none has. What was fetched
     * to be looked into is none.
     */
    @Transactional(readOnly = true)
    public long leftHalfWay(UUID instrumentId, String sha256) {
        return find(instrumentId, sha256)
                .filter(transfer -> !transfer.forPreview)
                .map(transfer -> arrived(transfer.id))
                .orElse(0L);
    }

    /** How much has arrived without a gap, in bytes. */
    @Transactional(readOnly = true)
    public long arrived(UUID originalId) {
        long upTo = 0;
        for (Object[] piece : entities.createQuery(
                        "SELECT place.firstByte, size FROM PieceEntity WHERE place.originalId = :id ORDER BY place.firstByte",
                        Object[].class)
                .setParameter("id", originalId)
                .getResultList()) {
            if ((Long) piece[0] != upTo) {
                break;
            }
            upTo += (Integer) piece[1];
        }
        return upTo;
    }

    /** A piece that is there already stays as it is. */
    @Transactional
    public void add(UUID originalId, long firstByte, byte[] bytes) {
        entities.createQuery("""
                INSERT INTO PieceEntity (place.originalId, place.firstByte, size, bytes) VALUES (:id, :first, :size, :bytes)
                ON CONFLICT (place.originalId, place.firstByte) DO NOTHING""")
                .setParameter("id", originalId)
                .setParameter("first", firstByte)
                .setParameter("size", bytes.length)
                .setParameter("bytes", bytes)
                .executeUpdate();
    }

    /** All that comes, as pieces from the first byte on. */
    @Transactional
    public void addAll(UUID originalId, InputStream in) throws IOException {
        long at = 0;
        for (byte[] piece = in.readNBytes(PIECE_BYTES); piece.length > 0; piece = in.readNBytes(PIECE_BYTES)) {
            add(originalId, at, piece);
            at += piece.length;
        }
    }

    /**
     * The pieces in their order, up to a gap, fetched one after the other: a statement that is asked often answers in
     * binary form, which is half as long.
     *
     * @return how many bytes there were
     */
    @Transactional(readOnly = true)
    public long write(UUID originalId, OutputStream out) throws IOException {
        long at = 0;
        for (PieceEntity piece = piece(originalId, at); piece != null; piece = piece(originalId, at)) {
            out.write(piece.bytes);
            at += piece.size;
            entities.detach(piece);
        }
        return at;
    }

    private PieceEntity piece(UUID originalId, long firstByte) {
        return entities.find(PieceEntity.class, new PieceEntity.Place(originalId, firstByte));
    }

    /** The transfer is an original now, or is not needed any more. */
    @Transactional
    public void end(UUID transferId) {
        entities.createQuery("DELETE FROM TransferEntity WHERE id = :id")
                .setParameter("id", transferId)
                .executeUpdate();
    }

    /** Forgets what has arrived. Not of an original: the database refuses that. */
    @Transactional
    public void drop(UUID transferId) {
        entities.createQuery("DELETE FROM PieceEntity WHERE place.originalId = :id")
                .setParameter("id", transferId)
                .executeUpdate();
        end(transferId);
    }

    /**
     * Drops transfers that nobody went on with for a month: the instrument still has them, or they came another way.
     */
    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void dropOld() {
        entities.createQuery("SELECT id FROM TransferEntity WHERE begunAt < :then", UUID.class)
                .setParameter("then", clock.instant().minus(KEPT_UNFINISHED))
                .getResultList()
                .forEach(this::drop);
    }
}
