package rovek.server.instruments.instrument;

import rovek.link.Instrument;
import rovek.link.InstrumentIdentity;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;

/** What is done with an open link. */
@FunctionalInterface
public interface LinkWork<T> {

    /** @param identity who answered */
    T with(Instrument link, InstrumentIdentity identity) throws LinkException, PackageException;
}
