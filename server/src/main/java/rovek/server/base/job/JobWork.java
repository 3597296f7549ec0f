package rovek.server.base.job;

import rovek.link.LinkException;
import rovek.link.packet.PackageException;

/** What a job does. */
@FunctionalInterface
public interface JobWork {

    /** @return how it ended, as a sentence */
    String run(JobProgress progress) throws LinkException, PackageException;
}
