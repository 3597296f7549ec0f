package rovek.server.instrument;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.problem.DomainProblem;

/**
 * One conversation with an instrument at a time, whichever server holds it. While a server lives its claims are kept alive; those of
 * one that died run out by themselves.
 */
@Service
class InstrumentClaims {

    static final Duration LASTS = Duration.ofSeconds(10);
    private static final long BEAT_SECONDS = 3;
    private static final Logger LOG = LoggerFactory.getLogger(InstrumentClaims.class);

    private final JdbcClient db;
    private final Clock clock;
    private final Set<UUID> held = ConcurrentHashMap.newKeySet();
    private final ScheduledExecutorService heart = Executors.newSingleThreadScheduledExecutor();

    InstrumentClaims(JdbcClient db, Clock clock) {
        this.db = db;
        this.clock = clock;
        heart.scheduleAtFixedRate(this::beat, BEAT_SECONDS, BEAT_SECONDS, TimeUnit.SECONDS);
    }

    private void beat() {
        try {
            held.forEach(holder -> db.sql("UPDATE instrument_claim SET until = ? WHERE holder = ?")
                    .params(clock.instant().atOffset(ZoneOffset.UTC).plus(LASTS), holder)
                    .update());
        } catch (RuntimeException e) {
            LOG.warn("The instruments' claims could not be renewed: {}", e.getMessage());
        }
    }

    @PreDestroy
    void close() {
        heart.shutdownNow();
    }

    /**
     * @param purpose what is done, e.g. "reading back for anna"
     * @throws DomainProblem.Conflict while somebody else holds it
     */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public UUID claim(UUID instrumentId, String purpose) {
        UUID holder = UUID.randomUUID();
        OffsetDateTime now = clock.instant().atOffset(ZoneOffset.UTC);
        int taken = db.sql("""
                INSERT INTO instrument_claim AS c (instrument_id, holder, purpose, until) VALUES (:id, :holder, :purpose, :until)
                ON CONFLICT (instrument_id) DO UPDATE SET holder = :holder, purpose = :purpose, until = :until WHERE c.until < :now""")
                .param("id", instrumentId).param("holder", holder).param("purpose", purpose)
                .param("until", now.plus(LASTS)).param("now", now)
                .update();
        if (taken == 0) {
            String other = db.sql("SELECT purpose FROM instrument_claim WHERE instrument_id = ?")
                    .param(instrumentId).query(String.class).optional().orElse("something else");
            throw new DomainProblem.Conflict("instrument-claimed", "The instrument is in use: %s. Wait until that has ended.".formatted(other));
        }
        held.add(holder);
        return holder;
    }

    /** What is being done with an instrument; empty while it is free. */
    @Transactional(readOnly = true)
    public Optional<String> purpose(UUID instrumentId) {
        return db.sql("SELECT purpose FROM instrument_claim WHERE instrument_id = ? AND until >= ?")
                .params(instrumentId, clock.instant().atOffset(ZoneOffset.UTC))
                .query(String.class).optional();
    }

    /** Where the database is away, the claim runs out by itself. */
    public void release(UUID instrumentId, UUID holder) {
        held.remove(holder);
        db.sql("DELETE FROM instrument_claim WHERE instrument_id = ? AND holder = ?").param(instrumentId).param(holder).update();
    }
}
