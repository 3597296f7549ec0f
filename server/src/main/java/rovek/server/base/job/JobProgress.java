package rovek.server.base.job;

import rovek.core.wording.Sentence;

/** How running work tells how far it is, and learns that it is to stop. */
public interface JobProgress {

    void report(long done, long total, Sentence sentence);

    boolean isStopRequested();
}
