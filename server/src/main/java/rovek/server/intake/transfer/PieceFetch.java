package rovek.server.intake.transfer;

import java.io.IOException;
import java.io.OutputStream;
import java.util.UUID;
import java.util.function.LongSupplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Service;
import rovek.core.wording.Sentence;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.LinkException;
import rovek.server.judging.original.Pieces;
import rovek.server.judging.original.Spool;

/**
 * Fetches what is missing of a file on an instrument, piece by piece; each is kept as it arrives, whatever the file is
 * wanted for.
 */
@Service
class PieceFetch {

    private static final int LARGEST_PIECE = 1 << 20;
    private static final long QUICK_NANOS = 100_000_000;

    private final Pieces pieces;
    private final LongSupplier nanos;

    @Autowired
    PieceFetch(Pieces pieces) {
        this(pieces, System::nanoTime);
    }

    /** @param nanos what time it is, of which only differences count */
    PieceFetch(Pieces pieces, LongSupplier nanos) {
        this.pieces = pieces;
        this.nanos = nanos;
    }

    /**
     * What has arrived whole.
     *
     * @param transfer that its pieces are kept under
     * @param file on disk, to be closed
     */
    record Fetched(UUID transfer, Spool file) {}

    /** Told of every piece, the one that was there from earlier tries first. */
    @FunctionalInterface
    interface Watcher {
        void arrived(long bytes) throws LinkException;
    }

    /**
     * @param digest of the file as it is on the instrument now
     * @param forPreview whether it is only to be looked into
     * @throws LinkException.DigestDiffers where what arrived is not what the instrument said; then it is forgotten
     */
    Fetched fetch(
            UUID instrumentId, Instrument link, InstrumentFile file, String digest, boolean forPreview, Watcher watcher)
            throws LinkException {
        UUID transfer = pieces.begin(instrumentId, digest, forPreview);
        Spool spool = Spool.of(out -> fetch(transfer, link, file, out, watcher));
        if (!spool.sha256().equals(digest)) {
            spool.close();
            pieces.drop(transfer);
            throw new LinkException.DigestDiffers(Sentence.plain(file.name()));
        }
        return new Fetched(transfer, spool);
    }

    private void fetch(UUID transfer, Instrument link, InstrumentFile file, OutputStream out, Watcher watcher)
            throws LinkException, IOException {
        long at = pieces.write(transfer, out);
        watcher.arrived(at);
        int wanted = Pieces.PIECE_BYTES;
        while (at < file.bytes()) {
            long asked = nanos.getAsLong();
            byte[] piece = link.slice(file.name(), at, (int) Math.min(wanted, file.bytes() - at));
            if (piece.length == 0) {
                return;
            }
            // Over a fast link fewer and larger pieces; over a slow one as little as possible is lost when it breaks.
            if (nanos.getAsLong() - asked < QUICK_NANOS && wanted < LARGEST_PIECE) {
                wanted *= 2;
            }
            pieces.add(transfer, at, piece);
            out.write(piece);
            at += piece.length;
            watcher.arrived(piece.length);
        }
    }
}
