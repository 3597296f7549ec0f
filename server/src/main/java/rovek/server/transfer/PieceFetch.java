package rovek.server.transfer;

import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.LinkException;

/** Fetches what is missing of a file on an instrument, piece by piece; each is kept as it arrives, whatever the file is wanted for. */
@Service
class PieceFetch {

    private final Pieces pieces;

    PieceFetch(Pieces pieces) {
        this.pieces = pieces;
    }

    /** Told of every piece, the one that was there from earlier tries first. */
    @FunctionalInterface
    interface Watcher {
        void arrived(long bytes) throws LinkException;
    }

    /**
     * @param digest of the file as it is on the instrument now
     * @param forPreview whether it is only to be looked into
     * @return the transfer that the pieces are kept under
     */
    UUID fetch(UUID instrumentId, Instrument link, InstrumentFile file, String digest, boolean forPreview, Watcher watcher) throws LinkException {
        UUID transfer = pieces.begin(instrumentId, digest, forPreview);
        long at = pieces.arrived(transfer);
        watcher.arrived(at);
        while (at < file.bytes()) {
            byte[] piece = link.slice(file.name(), at, (int) Math.min(Pieces.PIECE_BYTES, file.bytes() - at));
            if (piece.length == 0) {
                return transfer;
            }
            pieces.add(transfer, at, piece);
            at += piece.length;
            watcher.arrived(piece.length);
        }
        return transfer;
    }

    /**
     * What has arrived, on disk.
     *
     * @throws LinkException.DigestDiffers where that is not what the instrument said; then it is forgotten
     */
    Spool arrived(UUID transfer, InstrumentFile file, String digest) throws LinkException {
        Spool spool = Spool.of(out -> pieces.write(transfer, out));
        if (!spool.sha256().equals(digest)) {
            spool.close();
            pieces.drop(transfer);
            throw new LinkException.DigestDiffers(file.name());
        }
        return spool;
    }
}
