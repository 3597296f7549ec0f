package rovek.server.reports.certificate;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;

/** Which readings the signed certificates state, and what was done to those since. */
@Service
public class CertifiedReadings {

    private final Plant plant;
    private final JdbcClient db;

    CertifiedReadings(Plant plant, JdbcClient db) {
        this.plant = plant;
        this.db = db;
    }

    /** A reading where it stood when it was certified. */
    record Certified(UUID readingId, UUID visitId, UUID checkId) {}

    /** A reading of a visit that a certificate in force states. */
    public record OnCertificate(UUID readingId, UUID certificateId, String number) {}

    /** To be called in the transaction that signs. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void keep(UUID certificate, Collection<Certified> readings) {
        for (Certified one : readings) {
            db.sql(
                            "INSERT INTO certificate_reading (certificate_id, reading_id, visit_id, check_id) VALUES (?, ?, ?, ?)")
                    .params(certificate, one.readingId(), one.visitId(), one.checkId())
                    .update();
        }
    }

    /** The readings of a visit that certificates in force state. */
    @Transactional(readOnly = true)
    public List<OnCertificate> ofVisit(UUID visit) {
        return db.sql("""
                SELECT k.reading_id, c.id, c.number FROM certificate_reading k JOIN certificate c ON c.id = k.certificate_id
                    JOIN reading r ON r.id = k.reading_id
                WHERE r.visit_id = ? AND c.state = 'ISSUED' ORDER BY c.number""")
                .param(visit)
                .query((row, n) ->
                        new OnCertificate(row.getObject(1, UUID.class), row.getObject(2, UUID.class), row.getString(3)))
                .list();
    }

    private record Changed(
            UUID certificate,
            UUID checkThen,
            UUID checkNow,
            boolean isInAnotherVisit,
            boolean isRepeated,
            String discardedBecause) {}

    /**
     * What became of the readings that certificates state.
     *
     * @return certificate id to a sentence for each reading that was discarded, moved or repeated since; those without
     *     any are left out
     */
    @Transactional(readOnly = true)
    public Map<UUID, List<String>> changedSince(Collection<UUID> certificates) {
        if (certificates.isEmpty()) {
            return Map.of();
        }
        List<Changed> changed = db.sql("""
                SELECT k.certificate_id, k.check_id, r.check_id, r.visit_id <> k.visit_id, r.replaced, r.discarded_because
                FROM certificate_reading k JOIN reading r ON r.id = k.reading_id
                WHERE k.certificate_id = ANY(:certificates)
                    AND (r.discarded_because IS NOT NULL OR r.replaced OR r.check_id IS DISTINCT FROM k.check_id
                        OR r.visit_id <> k.visit_id)
                ORDER BY r.taken_at, r.id""")
                .param("certificates", certificates.toArray(UUID[]::new))
                .query((row, n) -> new Changed(
                        row.getObject(1, UUID.class),
                        row.getObject(2, UUID.class),
                        row.getObject(3, UUID.class),
                        row.getBoolean(4),
                        row.getBoolean(5),
                        row.getString(6)))
                .list();
        Map<UUID, List<String>> sentences = new HashMap<>();
        if (!changed.isEmpty()) {
            PlantTree tree = plant.tree();
            changed.forEach(one -> sentences
                    .computeIfAbsent(one.certificate(), none -> new ArrayList<>())
                    .add(sentence(tree, one)));
        }
        return sentences;
    }

    private static String sentence(PlantTree tree, Changed one) {
        String what = place(tree, one.checkThen());
        if (one.discardedBecause() != null) {
            return "%s: the reading was discarded since: %s.".formatted(what, one.discardedBecause());
        }
        if (one.isRepeated()) {
            return "%s: the reading was repeated since by a later one.".formatted(what);
        }
        if (one.checkNow() == null) {
            return "%s: the reading was taken off its check since.".formatted(what);
        }
        return one.checkNow().equals(one.checkThen())
                ? "%s: the reading was moved to another visit since.".formatted(what)
                : "%s: the reading was moved since to %s.".formatted(what, place(tree, one.checkNow()));
    }

    private static String place(PlantTree tree, UUID check) {
        return tree.check(check)
                .map(view -> view.place() + ", " + view.node().name())
                .orElse("A check that was removed");
    }
}
