package rovek.server.base.job;

import rovek.core.wording.Sentence;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;

/** What a job does. */
@FunctionalInterface
public interface JobWork {

    /** @return how it ended, as a sentence */
    Sentence run(JobProgress progress) throws LinkException, PackageException;
}
