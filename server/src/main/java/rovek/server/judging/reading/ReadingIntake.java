package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.reading.ClockState;
import rovek.core.reading.PictureCapture;
import rovek.core.reading.ReadingIdentity;
import rovek.core.technique.Analysis;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.technique.Remark;
import rovek.core.technique.Result;
import rovek.core.technique.SettingValues;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.link.packet.ListedReading;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsFile;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.records.Turns;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.PlantTree;
import tools.jackson.databind.json.JsonMapper;

/** Makes readings from a package, part by part: analysed, many at a time, and stored in the caller's transaction. */
@Service
public class ReadingIntake {

    private static final int ASKED_AT_ONCE = 10_000;

    @PersistenceContext
    private EntityManager entities;

    private final Techniques techniques;
    private final AuditTrail audit;
    private final ReadingRepository readings;
    private final ReadingPhotoRepository photos;
    private final Turns turns;
    private final BulkCopy copy;
    private final JsonMapper json;
    private final Clock now;

    ReadingIntake(
            Techniques techniques,
            AuditTrail audit,
            ReadingRepository readings,
            ReadingPhotoRepository photos,
            Turns turns,
            BulkCopy copy,
            JsonMapper json,
            Clock now) {
        this.techniques = techniques;
        this.audit = audit;
        this.readings = readings;
        this.photos = photos;
        this.turns = turns;
        this.copy = copy;
        this.json = json;
        this.now = now;
    }

    /**
     * Readings of one package under way: what is in force at a check is worked out once, for all that were taken there.
     */
    public final class Preparation {

        private final ReadingsFile file;
        private final UUID instrument;
        private final PlantTree tree;
        private final Map<UUID, Optional<CheckView>> known = new ConcurrentHashMap<>();

        private Preparation(ReadingsFile file, UUID instrument, PlantTree tree) {
            this.file = file;
            this.instrument = instrument;
            this.tree = tree;
        }

        /** Fetches and analyses some of its readings, as many as may be in memory at once. Touches nothing. */
        public List<PreparedReading> of(List<ListedReading> part) {
            return part.parallelStream()
                    .map(listed -> prepare(
                            identity(instrument, listed),
                            file.whole(listed),
                            id -> known.computeIfAbsent(id, tree::check)))
                    .toList();
        }
    }

    /** @param instrument that took the readings */
    public Preparation preparation(ReadingsFile file, UUID instrument, PlantTree tree) {
        return new Preparation(file, instrument, tree);
    }

    /** From now on until the caller's transaction ends nobody else stores readings of the same instrument. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void claim(UUID instrument) {
        turns.take(Turns.Turn.STORE_READINGS, instrument);
    }

    /** Those of an instrument's readings that are not stored yet, each once. */
    @Transactional(readOnly = true)
    public List<ListedReading> freshOf(List<ListedReading> listed, UUID instrument) {
        Set<ReadingIdentity> seen = new HashSet<>();
        List<ListedReading> fresh = new ArrayList<>();
        for (int from = 0; from < listed.size(); from += ASKED_AT_ONCE) {
            List<ListedReading> some = listed.subList(from, Math.min(listed.size(), from + ASKED_AT_ONCE));
            Set<ReadingIdentity> stored = stored(instrument, some);
            // What stands twice in one package is one reading too.
            some.stream()
                    .filter(one -> !stored.contains(identity(instrument, one)) && seen.add(identity(instrument, one)))
                    .forEach(fresh::add);
        }
        return fresh;
    }

    private Set<ReadingIdentity> stored(UUID instrument, List<ListedReading> some) {
        Set<ReadingIdentity> stored = new HashSet<>();
        readings.known(instrument, some.stream().map(ListedReading::id).toList())
                .forEach(one -> stored.add(new ReadingIdentity(instrument, one.ownId(), one.captureSha256())));
        return stored;
    }

    private static ReadingIdentity identity(UUID instrument, ListedReading listed) {
        return new ReadingIdentity(instrument, listed.id(), listed.captureSha256());
    }

    private PreparedReading prepare(
            ReadingIdentity identity, PackedReading packed, Function<UUID, Optional<CheckView>> checks) {
        Optional<CheckView> check = packed.stop()
                .flatMap(checks)
                .filter(found -> found.technique().id().equals(packed.technique()));
        if (check.isPresent()) {
            SettingValues settings = withSensor(check.get(), packed.settings());
            return new PreparedReading(
                    identity, packed, check, settings, analyse(check.get().technique(), packed, settings));
        }
        Optional<Technique> technique = techniques.find(packed.technique());
        if (technique.isEmpty()) {
            return new PreparedReading(
                    identity,
                    packed,
                    check,
                    new SettingValues(Map.of()),
                    Analysis.refused(new Remark(
                            "technique",
                            Sentence.of("judging.unknownTechnique", "technique", packed.technique()),
                            true)));
        }
        SettingValues settings = ownSettings(technique.get(), packed);
        return new PreparedReading(identity, packed, check, settings, analyse(technique.get(), packed, settings));
    }

    /**
     * As the check is set now, but with the sensor it was measured with: that may have been calibrated or changed
     * since.
     */
    static SettingValues withSensor(CheckView check, Map<String, String> measuredWith) {
        Map<String, String> values = new HashMap<>(check.settings().values());
        check.technique()
                .sensorUse()
                .ifPresent(use -> Stream.of(use.nameKey(), use.sensitivityKey())
                        .filter(measuredWith::containsKey)
                        .forEach(key -> values.put(key, measuredWith.get(key))));
        try {
            return check.technique().settingsOf(values);
        } catch (InvalidSettingsException unknownToRovek) {
            return check.settings();
        }
    }

    private static SettingValues ownSettings(Technique technique, PackedReading packed) {
        Map<String, String> given =
                new HashMap<>(technique.suggestedBy(packed.capture().toCapture()));
        given.putAll(packed.settings());
        try {
            return technique.settingsOf(given);
        } catch (InvalidSettingsException e) {
            return technique.settingsOf(Map.of());
        }
    }

    private static Analysis analyse(Technique technique, PackedReading packed, SettingValues settings) {
        try {
            return technique.analyse(packed.capture().toCapture(), settings).withoutCurves();
        } catch (IllegalArgumentException e) {
            return Analysis.refused(new Remark("capture", Refused.why(e, Sentence.of("judging.notAnalysed")), true));
        }
    }

    /**
     * Stores prepared readings.
     *
     * @param calibration of the instrument that took them, as it is now
     * @param fallbackLabel how a stop that is gone from the plant was called, by the stop's id
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void store(
            List<PreparedReading> prepared,
            UUID visitId,
            UUID originalId,
            ClockState.Times clock,
            InstrumentCalibration calibration,
            Map<UUID, String> fallbackLabel) {
        // What is still on its way through the other door must be there before rows refer to it.
        entities.flush();
        List<StoredReading> rows = prepared.parallelStream()
                .map(one -> stored(one, clock, fallbackLabel))
                .toList();
        // As exact as the database keeps it: what was stored now is found by it.
        Instant storedAt = now.instant().truncatedTo(ChronoUnit.MICROS);
        copy.into(
                "reading (id, check_id, visit_id, original_id, instrument_id, own_id, capture_sha256, technique, taken_at, instrument_time,"
                        + " label, note, settings, obstacle, replaced, discarded_because, filled, stored_at, version, repeats,"
                        + " planned_for, chosen, calibrated_on, calibrated_until)",
                24,
                rows,
                (out, row) -> row.writeReading(out, visitId, originalId, storedAt, calibration));
        copy.into(
                "capture (reading_id, description, unit, rate_hz, scale, sensitivity, full_scale, samples)",
                8,
                rows,
                (out, row) -> row.writeCapture(out));
        copy.into(
                "result (reading_id, result_id, taken_at, check_id, place, value, unit, counts)",
                8,
                rows,
                (out, row) -> row.writeResults(out, storedAt));
        for (StoredReading row : rows) {
            keepPhotos(row.id(), row.prepared().packed().photos());
        }
        prepared.stream()
                .map(one -> one.identity().instrument())
                .distinct()
                .forEach(instrument -> retire(instrument, originalId, storedAt));
    }

    /** What stands in the audit trail of a reading that another one repeats. */
    private record Counting(boolean replaced, @Nullable UUID by) {}

    /** A repetition may also arrive before what it repeats, in a file of its own. */
    private void retire(UUID instrument, UUID original, Instant storedAt) {
        readings.repeated(instrument, original, storedAt).stream()
                .filter(one -> readings.retire(one.id(), one.by()) == 1)
                .forEach(one -> audit.note(
                        "repeated", "reading", one.id(), new Counting(false, null), new Counting(true, one.by())));
    }

    private StoredReading stored(PreparedReading prepared, ClockState.Times clock, Map<UUID, String> fallbackLabel) {
        PackedReading packed = prepared.packed();
        UUID id = UUID.randomUUID();
        String label = packed.label().isBlank()
                ? packed.stop()
                        .map(stop -> fallbackLabel.getOrDefault(stop, ""))
                        .orElse("")
                : packed.label();
        return new StoredReading(
                id,
                prepared,
                clock.correct(packed.id(), packed.takenAt()),
                label,
                json.writeValueAsString(prepared.settings().values()),
                CaptureEntity.of(id, packed.capture()));
    }

    private void keepPhotos(UUID readingId, List<PictureCapture> taken) {
        for (int i = 0; i < taken.size(); i++) {
            photos.add(
                    readingId,
                    (short) (i + 1),
                    taken.get(i).mediaType(),
                    taken.get(i).bytes());
        }
    }

    void persistResults(ReadingEntity reading, Analysis analysis) {
        boolean counts = !reading.replaced
                && reading.discardedBecause == null
                && reading.obstacle.isBlank()
                && !ReadingView.isDatedAhead(reading.takenAt, reading.storedAt);
        short place = 0;
        for (Result result : analysis.results()) {
            ResultEntity row = new ResultEntity();
            row.readingId = reading.id;
            row.resultId = result.definition().id();
            row.takenAt = reading.takenAt;
            row.checkId = reading.checkId;
            row.place = place++;
            row.value = result.value().value();
            row.unit = result.value().unit().symbol();
            row.counts = counts;
            entities.persist(row);
        }
    }
}
