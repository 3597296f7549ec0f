package rovek.server.rounds.visit;

import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.instruments.instrument.InstrumentView;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.people.account.Accounts;

/** All visits: the list of them, those with loose readings, and how routes were walked. */
@Service
public class VisitHistory {

    static final int VISITS_A_PAGE = 200;

    private final Instruments instruments;
    private final Accounts accounts;
    private final JdbcClient db;

    VisitHistory(Instruments instruments, Accounts accounts, JdbcClient db) {
        this.instruments = instruments;
        this.accounts = accounts;
        this.db = db;
    }

    /** A visit in the list. */
    public record VisitLine(
            UUID id, String title, String beganAt, String technician, String instrument, int readings, int loose) {}

    /** A visit with readings that wait for their place. */
    public record Loose(UUID id, String title, Instant beganAt, int readings) {}

    /** The newest visits with loose readings, up to so many. */
    @Transactional(readOnly = true)
    public List<Loose> withLoose(int most) {
        return db.sql("""
                SELECT v.id, v.title, v.began_at, n.loose
                FROM (SELECT visit_id, count(*) AS loose FROM reading WHERE check_id IS NULL AND discarded_because IS NULL
                    AND NOT replaced GROUP BY visit_id) n
                    JOIN visit v ON v.id = n.visit_id
                ORDER BY v.began_at DESC, v.id LIMIT ?""")
                .param(most)
                .query((row, n) -> new Loose(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getObject(3, OffsetDateTime.class).toInstant(),
                        row.getInt(4)))
                .list();
    }

    @Transactional(readOnly = true)
    public boolean isAny() {
        return db.sql("SELECT EXISTS (SELECT 1 FROM visit)")
                .query(Boolean.class)
                .single();
    }

    /** The newest visits. */
    public List<VisitLine> list() {
        return list(0);
    }

    /**
     * A page of the visits, the newest first. What everything was moved out of is no visit any more.
     *
     * @param from how many newer ones are passed over
     */
    @Transactional(readOnly = true)
    public List<VisitLine> list(int from) {
        Map<UUID, InstrumentView> byId = new HashMap<>();
        instruments.all().forEach(instrument -> byId.put(instrument.id(), instrument));
        UnaryOperator<String> names = accounts.displayNames();
        return db.sql("""
                SELECT v.id, v.title, v.began_at, v.technician, v.instrument_id, n.readings, n.loose
                FROM (SELECT * FROM visit o
                        WHERE EXISTS (SELECT 1 FROM reading r WHERE r.visit_id = o.id AND NOT r.replaced) OR EXISTS (SELECT 1
                            FROM visit_stop s WHERE s.visit_id = o.id)
                        ORDER BY o.began_at DESC, o.id LIMIT ? OFFSET ?) v
                    CROSS JOIN LATERAL (SELECT count(*) AS readings, count(*) FILTER (WHERE check_id IS NULL
                        AND discarded_because IS NULL) AS loose
                        FROM reading WHERE visit_id = v.id AND NOT replaced) n
                ORDER BY v.began_at DESC, v.id""")
                .params(VISITS_A_PAGE, Math.max(0, from))
                .query((row, n) -> new VisitLine(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getObject(3, OffsetDateTime.class).toInstant().toString(),
                        names.apply(row.getString(4)),
                        byId.get(row.getObject(5, UUID.class)).said(),
                        row.getInt(6),
                        row.getInt(7)))
                .list();
    }

    /**
     * How a route was walked lately.
     *
     * @param lastDay of the latest walk
     * @param secondsAStop from one reading to the next, in the middle of all; empty where too few were taken to say
     */
    public record Walked(LocalDate lastDay, Optional<Double> secondsAStop) {}

    /**
     * The routes that were walked in the last year and a bit. A walk with stops to do is not walked yet. A break of
     * half an hour is no part of a walk's time.
     */
    @Transactional(readOnly = true)
    public Map<UUID, Walked> walkedRoutes(ZoneId zone) {
        Map<UUID, Walked> walked = new HashMap<>();
        db.sql("""
                SELECT route_id, max(began_at) AS last, percentile_cont(0.5) WITHIN GROUP (ORDER BY gap) AS gap FROM (
                    SELECT v.route_id, v.began_at,
                        extract(epoch FROM r.taken_at - lag(r.taken_at) OVER (PARTITION BY v.id ORDER BY r.taken_at)) AS gap
                    FROM visit v LEFT JOIN reading r ON r.visit_id = v.id AND NOT r.replaced
                    WHERE v.route_id IS NOT NULL AND v.began_at BETWEEN now() - interval '400 days' AND now() + interval '1 day'
                        AND NOT EXISTS (SELECT 1 FROM visit_stop s WHERE s.visit_id = v.id AND s.progress IN ('to do', 'begun'))) g
                WHERE gap IS NULL OR gap < 1800 GROUP BY route_id""").query(row -> {
            Optional<Double> gap = Optional.ofNullable(row.getObject("gap", Double.class));
            walked.put(
                    row.getObject("route_id", UUID.class),
                    new Walked(LocalDate.ofInstant(row.getTimestamp("last").toInstant(), zone), gap));
        });
        return walked;
    }
}
