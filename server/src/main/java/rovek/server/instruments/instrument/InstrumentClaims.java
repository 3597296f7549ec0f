package rovek.server.instruments.instrument;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.StoredSentence;

/**
 * One conversation with an instrument at a time, whichever server holds it. While a server lives its claims are kept
 * alive; those of one that died run out by themselves.
 */
@Service
class InstrumentClaims {

    static final Duration LASTS = Duration.ofSeconds(10);
    private static final long BEAT_SECONDS = 3;
    private static final long BETWEEN_TRIES_MILLIS = 150;
    private static final Logger LOG = LoggerFactory.getLogger(InstrumentClaims.class);

    private final InstrumentClaimRepository claims;
    private final Clock clock;
    private final Duration patience;
    private final Set<UUID> held = ConcurrentHashMap.newKeySet();
    private final ScheduledExecutorService heart = Executors.newSingleThreadScheduledExecutor();

    InstrumentClaims(
            InstrumentClaimRepository claims, Clock clock, @Value("${rovek.claims.patience:PT8S}") Duration patience) {
        this.claims = claims;
        this.clock = clock;
        this.patience = patience;
        heart.scheduleAtFixedRate(this::beat, BEAT_SECONDS, BEAT_SECONDS, TimeUnit.SECONDS);
    }

    private void beat() {
        try {
            if (!held.isEmpty()) {
                claims.renew(Set.copyOf(held), clock.instant().plus(LASTS));
            }
        } catch (RuntimeException e) {
            LOG.warn("The instruments' claims could not be renewed: {}", e.getMessage());
        }
    }

    @PreDestroy
    void close() {
        heart.shutdownNow();
    }

    /** An instrument in somebody's hands. */
    final class Claim implements LinkHold, AutoCloseable {

        private final UUID instrumentId;
        private final UUID holder;
        private final Manner manner;

        private Claim(UUID instrumentId, UUID holder, Manner manner) {
            this.instrumentId = instrumentId;
            this.holder = holder;
            this.manner = manner;
        }

        @Override
        public boolean isWanted() {
            // A claim that ran out, while this server slept, is somebody else's by now.
            return claims.isWanted(instrumentId, holder).orElse(true);
        }

        /** Whether it still is this one's: who takes it over writes his own holder, and no two are alike. */
        boolean isHeld() {
            return claims.existsByInstrumentIdAndHolder(instrumentId, holder);
        }

        @Override
        public void doing(Sentence purpose, boolean givesWay) {
            claims.doing(
                    instrumentId,
                    holder,
                    StoredSentence.write(purpose),
                    (givesWay ? manner : Manner.WORKS).rank(),
                    givesWay);
        }

        /** Where the database is away, the claim runs out by itself. */
        @Override
        public void close() {
            held.remove(holder);
            claims.giveUp(instrumentId, holder);
        }
    }

    /** How an instrument is held: each gives way to those after it. As their order is stored, so it stays. */
    enum Manner {
        /** Comes again by itself instead of waiting. */
        WATCHES,
        LOOKS,
        WORKS;

        private short rank() {
            return (short) ordinal();
        }
    }

    /**
     * Waits a few seconds where somebody else has it: most looks take less. No transaction is held meanwhile.
     *
     * @param purpose what is done, e.g. "reading back for anna"
     * @throws DomainProblem.Conflict while somebody else holds it for longer
     */
    Claim claim(UUID instrumentId, Sentence purpose, Manner manner) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("An instrument is claimed before a transaction begins, not within.");
        }
        long until = System.nanoTime() + (manner == Manner.WATCHES ? 0 : patience.toNanos());
        UUID holder = UUID.randomUUID();
        while (!isTaken(instrumentId, holder, purpose, manner)) {
            claims.want(instrumentId, manner.rank());
            if (System.nanoTime() >= until || !isPaused()) {
                Sentence other = claims.purpose(instrumentId)
                        .map(StoredSentence::read)
                        .orElse(Sentence.of("instruments.somethingElse"));
                throw new DomainProblem.Conflict("instrument-claimed", Sentence.of("instruments.inUse", "by", other));
            }
        }
        held.add(holder);
        return new Claim(instrumentId, holder, manner);
    }

    private boolean isTaken(UUID instrumentId, UUID holder, Sentence purpose, Manner manner) {
        Instant now = clock.instant();
        return claims.take(instrumentId, holder, StoredSentence.write(purpose), now.plus(LASTS), manner.rank(), now)
                == 1;
    }

    private static boolean isPaused() {
        try {
            Thread.sleep(BETWEEN_TRIES_MILLIS);
            return true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /** What is being done with an instrument; empty while it is free. */
    @Transactional(readOnly = true)
    public Optional<Sentence> purpose(UUID instrumentId) {
        return claims.purposeNow(instrumentId, clock.instant()).map(StoredSentence::read);
    }
}
