package rovek.server.reports.certificate;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Sentence;
import rovek.server.base.records.Parts;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.reading.Readings.Whereabouts;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;

/** Which readings the signed certificates state, and what was done to those since. */
@Service
public class CertifiedReadings {

    private final Plant plant;
    private final Readings readings;
    private final CertificateReadingRepository stated;

    CertifiedReadings(Plant plant, Readings readings, CertificateReadingRepository stated) {
        this.plant = plant;
        this.readings = readings;
        this.stated = stated;
    }

    /** A reading where it stood when it was certified. */
    record Certified(UUID readingId, UUID visitId, UUID checkId) {}

    /** A reading of a visit that a certificate in force states. */
    public record OnCertificate(UUID readingId, UUID certificateId, String number) {}

    /** To be called in the transaction that signs. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void keep(UUID certificate, Collection<Certified> certified) {
        for (Certified one : certified) {
            CertificateReadingEntity row = new CertificateReadingEntity();
            row.certificateId = certificate;
            row.readingId = one.readingId();
            row.visitId = one.visitId();
            row.checkId = one.checkId();
            stated.add(row);
        }
    }

    /** The readings of a visit, or that were of it when they were certified, that certificates in force state. */
    @Transactional(readOnly = true)
    public List<OnCertificate> ofVisit(UUID visit) {
        Stream<CertificateReadingRepository.Stated> moved =
                Parts.asked(readings.changedOfVisit(visit), stated::ofReadings).stream();
        return Stream.concat(stated.ofVisit(visit).stream(), moved)
                .distinct()
                .sorted(Comparator.comparing(CertificateReadingRepository.Stated::number))
                .map(one -> new OnCertificate(one.readingId(), one.certificateId(), one.number()))
                .toList();
    }

    private record Changed(CertificateReadingEntity then, Whereabouts now) {

        boolean isOtherwise() {
            return now.discardedBecause() != null
                    || now.isRepeated()
                    || !then.checkId.equals(now.checkId())
                    || !then.visitId.equals(now.visitId());
        }
    }

    /**
     * What became of the readings that certificates state.
     *
     * @return certificate id to a sentence for each reading that was discarded, moved or repeated since; those without
     *     any are left out
     */
    @Transactional(readOnly = true)
    public Map<UUID, List<Sentence>> changedSince(Collection<UUID> certificates) {
        if (certificates.isEmpty()) {
            return Map.of();
        }
        // Few of them ever changed: only those are looked at.
        Map<UUID, Whereabouts> changedEver = new LinkedHashMap<>();
        readings.changedAmong(stated.readingsOf(certificates)).forEach(one -> changedEver.put(one.id(), one));
        List<Changed> changed = Parts.asked(changedEver.keySet(), part -> stated.of(certificates, part)).stream()
                .map(then -> new Changed(then, changedEver.get(then.readingId)))
                .filter(Changed::isOtherwise)
                .sorted(Comparator.comparing((Changed one) -> one.now().takenAt())
                        .thenComparing(one -> one.then().readingId))
                .toList();
        Map<UUID, List<Sentence>> sentences = new HashMap<>();
        if (!changed.isEmpty()) {
            PlantTree tree = plant.tree();
            changed.forEach(one -> sentences
                    .computeIfAbsent(one.then().certificateId, none -> new ArrayList<>())
                    .add(sentence(tree, one)));
        }
        return sentences;
    }

    private static Sentence sentence(PlantTree tree, Changed one) {
        Sentence what = place(tree, one.then().checkId);
        Whereabouts now = one.now();
        if (now.discardedBecause() != null) {
            return Sentence.of("reports.sinceDiscarded", "place", what, "why", now.discardedBecause());
        }
        if (now.isRepeated()) {
            return Sentence.of("reports.sinceRepeated", "place", what);
        }
        if (now.checkId() == null) {
            return Sentence.of("reports.sinceLoose", "place", what);
        }
        return now.checkId().equals(one.then().checkId)
                ? Sentence.of("reports.sinceOtherVisit", "place", what)
                : Sentence.of("reports.sinceMoved", "place", what, "now", place(tree, now.checkId()));
    }

    private static Sentence place(PlantTree tree, UUID check) {
        return tree.check(check)
                .map(view -> Sentence.plain(view.place() + ", " + view.node().name()))
                .orElseGet(() -> Sentence.of("reports.removedCheck"));
    }
}
