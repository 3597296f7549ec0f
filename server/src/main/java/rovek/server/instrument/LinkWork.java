package rovek.server.instrument;

import rovek.link.Instrument;
import rovek.link.InstrumentIdentity;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;

/** What is done with an open link. */
@FunctionalInterface
public interface LinkWork<T> {

    /**
     * @param identity who answered
     * @param renew to be called now and then while it takes long, to keep the instrument claimed
     */
    T with(Instrument link, InstrumentIdentity identity, Runnable renew) throws LinkException, PackageException;
}
