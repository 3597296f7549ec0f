package rovek.server.transfer;

import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.LinkException;

/** Fetches what is missing of a file on an instrument, piece by piece; each is kept as it arrives, whatever the file is wanted for. */
@Service
class PieceFetch {

    private static final int PIECE_BYTES = 128 << 10;

    private final Originals originals;

    PieceFetch(Originals originals) {
        this.originals = originals;
    }

    /** Told of every piece, the one that was there from earlier tries first. */
    @FunctionalInterface
    interface Watcher {
        void arrived(long bytes) throws LinkException;
    }

    void fetch(UUID instrumentId, Instrument link, InstrumentFile file, String digest, Watcher watcher) throws LinkException {
        fetch(instrumentId, link, file, digest, false, watcher);
    }

    /**
     * @param digest of the file as it is on the instrument now
     * @param forPreview whether it is only to be looked into
     */
    void fetch(UUID instrumentId, Instrument link, InstrumentFile file, String digest, boolean forPreview, Watcher watcher) throws LinkException {
        long at = originals.arrived(instrumentId, digest);
        watcher.arrived(at);
        while (at < file.bytes()) {
            byte[] piece = link.slice(file.name(), at, (int) Math.min(PIECE_BYTES, file.bytes() - at));
            if (piece.length == 0) {
                return;
            }
            originals.keepPiece(instrumentId, digest, at, piece, forPreview);
            at += piece.length;
            watcher.arrived(piece.length);
        }
    }
}
