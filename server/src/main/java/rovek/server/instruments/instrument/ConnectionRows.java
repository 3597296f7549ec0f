package rovek.server.instruments.instrument;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The named ways to instruments, as they are stored. */
@Service
class ConnectionRows {

    private final ConnectionRepository connections;
    private final Clock clock;

    ConnectionRows(ConnectionRepository connections, Clock clock) {
        this.connections = connections;
        this.clock = clock;
    }

    /**
     * A way to an instrument.
     *
     * @param passCode sealed
     * @param instrumentId who answered there last
     */
    record Row(UUID id, String name, Reach reach, String passCode, Optional<UUID> instrumentId) {

        private static Row of(ConnectionEntity kept) {
            return new Row(kept.id, kept.name, kept.reach(), kept.passCode, Optional.ofNullable(kept.instrumentId));
        }
    }

    @Transactional(readOnly = true)
    public List<Row> all() {
        return connections.findAllByOrderByNameAscPlaceAsc().stream()
                .map(Row::of)
                .toList();
    }

    @Transactional(readOnly = true)
    public Optional<Row> find(UUID id) {
        return connections.findById(id).map(Row::of);
    }

    @Transactional(readOnly = true)
    public Optional<Row> at(Reach reach) {
        return connections
                .findByKindAndPlaceAndNumber(reach.kind(), reach.place(), reach.number())
                .map(Row::of);
    }

    /** The ways by which an instrument answered, the latest first. */
    @Transactional(readOnly = true)
    public List<Row> to(UUID instrument) {
        return connections.to(instrument).stream().map(Row::of).toList();
    }

    /** Keeps a way; who answered there is noted by {@link #noteAnswer} alone. */
    @Transactional
    public void put(Row row) {
        ConnectionEntity kept = connections.findById(row.id()).orElseGet(ConnectionEntity::new);
        kept.id = row.id();
        kept.name = row.name();
        kept.kind = row.reach().kind();
        kept.place = row.reach().place();
        kept.number = row.reach().number();
        kept.passCode = row.passCode();
        connections.save(kept);
    }

    @Transactional
    public void noteAnswer(UUID id, UUID instrument) {
        connections.findById(id).ifPresent(kept -> {
            kept.instrumentId = instrument;
            kept.answeredAt = clock.instant();
        });
    }

    @Transactional
    public void remove(UUID id) {
        connections.deleteById(id);
    }
}
