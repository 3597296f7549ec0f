package rovek.server.base.job;

/** How running work tells how far it is, and learns that it is to stop. */
public interface JobProgress {

    void report(long done, long total, String sentence);

    boolean isStopRequested();
}
