package rovek.link;

import java.nio.file.Path;
import java.time.Duration;
import java.util.Optional;
import rovek.link.scpi.ScpiSession;

/** Where an instrument answers. */
public sealed interface InstrumentAddress {

    /** As people read it. */
    String said();

    /**
     * @param passCode empty where the instrument wants none
     * @param patience how long it may stay silent
     * @param longest how long the link may be held in all
     */
    Instrument connect(Optional<String> passCode, Duration patience, Duration longest) throws LinkException;

    /** @param patience how long it may stay silent */
    default Instrument connect(Optional<String> passCode, Duration patience) throws LinkException {
        return connect(passCode, patience, ScpiSession.NO_END);
    }

    default Instrument connect(Optional<String> passCode) throws LinkException {
        return connect(passCode, Instrument.PATIENCE);
    }

    /** A host on the network. */
    record Network(String host, int port) implements InstrumentAddress {

        public Network {
            new TcpTransport(host, port);
        }

        @Override
        public String said() {
            return "%s port %d".formatted(host, port);
        }

        @Override
        public Instrument connect(Optional<String> passCode, Duration patience, Duration longest) throws LinkException {
            return Instrument.connect(new TcpTransport(host, port, patience), passCode, patience, longest);
        }
    }

    /** A serial line. */
    record Line(String device, int baud) implements InstrumentAddress {

        public Line {
            new SerialTransport(device, baud);
        }

        @Override
        public String said() {
            return "%s, %d baud".formatted(device, baud);
        }

        @Override
        public Instrument connect(Optional<String> passCode, Duration patience, Duration longest) throws LinkException {
            return Instrument.connect(new SerialTransport(device, baud), passCode, patience, longest);
        }
    }

    /** A drive that the instrument shows itself as. */
    record Folder(Path path) implements InstrumentAddress {
        @Override
        public String said() {
            return path.toString();
        }

        @Override
        public Instrument connect(Optional<String> passCode, Duration patience, Duration longest) throws LinkException {
            return FolderInstrument.open(path);
        }
    }
}
