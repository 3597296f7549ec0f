package rovek.server.base.job;

import java.time.Instant;
import java.util.Collection;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.base.records.Adding;

/**
 * Jobs are changed past the record: who works, who looks and who stops are never in each other's way; each change is
 * seen at once.
 */
@Transactional
interface JobRepository extends Repository<JobEntity, UUID>, Adding<JobEntity> {

    @Query("SELECT j FROM JobEntity j WHERE j.id = :id")
    Optional<JobEntity> found(UUID id);

    @Query(
            "SELECT j FROM JobEntity j WHERE j.state = RUNNING AND j.subjectId = :subject ORDER BY j.startedAt DESC LIMIT 1")
    Optional<JobEntity> runningOn(UUID subject);

    @Query("SELECT j.stopRequested FROM JobEntity j WHERE j.id = :id")
    boolean isStopRequested(UUID id);

    /** @return 0 where somebody else's work goes by that id, or it is under way */
    @Modifying
    @Query("""
            INSERT INTO JobEntity AS j (id, kind, title, state, done, total, sentence, actor, stopRequested, startedAt, heardAt)
            VALUES (:id, :kind, :title, RUNNING, 0, 0, :sentence, :actor, false, :now, :now)
            ON CONFLICT (id) DO UPDATE SET state = excluded.state, done = 0, total = 0, sentence = excluded.sentence,
                stopRequested = false, startedAt = excluded.startedAt, heardAt = excluded.heardAt
            WHERE j.actor = :actor AND j.kind = :kind AND (j.state <> RUNNING OR j.heardAt < :silent)""")
    int begin(UUID id, String kind, String title, String sentence, String actor, Instant now, Instant silent);

    @Modifying
    @Query("""
            UPDATE JobEntity j SET j.state = :state, j.sentence = :sentence, j.heardAt = :now,
                j.done = CASE WHEN :state = DONE THEN j.total ELSE j.done END
            WHERE j.id = :id""")
    void end(UUID id, JobView.State state, String sentence, Instant now);

    @Modifying
    @Query("""
            UPDATE JobEntity j SET j.state = FAILED, j.sentence = :sentence
            WHERE j.state = RUNNING AND j.heardAt < :silent""")
    void endSilent(String sentence, Instant silent);

    @Modifying
    @Query("UPDATE JobEntity j SET j.stopRequested = true WHERE j.id = :id")
    void requestStop(UUID id);

    @Modifying
    @Query("""
            UPDATE JobEntity j SET j.done = :done, j.total = :total, j.sentence = :sentence, j.heardAt = :now
            WHERE j.id = :id AND j.state = RUNNING""")
    void report(UUID id, long done, long total, String sentence, Instant now);

    @Modifying
    @Query("UPDATE JobEntity j SET j.heardAt = :now WHERE j.id IN :ids")
    void beat(Collection<UUID> ids, Instant now);
}
