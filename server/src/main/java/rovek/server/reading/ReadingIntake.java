package rovek.server.reading;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.reading.ClockCorrection;
import rovek.core.reading.PictureCapture;
import rovek.core.reading.ReadingIdentity;
import rovek.core.technique.Analysis;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.technique.Remark;
import rovek.core.technique.Result;
import rovek.core.technique.SettingValues;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.ReadingsPackage.DigestedReading;
import rovek.server.plant.CheckView;
import rovek.server.plant.PlantTree;
import tools.jackson.databind.json.JsonMapper;

/** Makes readings from a package: first analysed, many at a time, then stored in the caller's transaction. */
@Service
public class ReadingIntake {

    @PersistenceContext
    private EntityManager entities;

    private final Techniques techniques;
    private final JdbcClient db;
    private final JsonMapper json;
    private final Clock now;

    ReadingIntake(Techniques techniques, JdbcClient db, JsonMapper json, Clock now) {
        this.techniques = techniques;
        this.db = db;
        this.json = json;
        this.now = now;
    }

    /** Analyses the readings of a package that are not stored yet. Touches nothing. */
    @Transactional(readOnly = true)
    public List<PreparedReading> prepare(ReadingsPackage readings, PlantTree tree) {
        String serial = readings.maker().instrument().orElseThrow().serial();
        return freshOf(readings).parallelStream().map(reading -> prepare(serial, reading, tree)).toList();
    }

    /** Analyses all readings of a package, stored or not. Touches nothing. */
    public List<PreparedReading> prepareAll(ReadingsPackage readings, PlantTree tree) {
        String serial = readings.maker().instrument().orElseThrow().serial();
        return readings.readings().parallelStream().map(reading -> prepare(serial, reading, tree)).toList();
    }

    /** The readings of a package that are not stored yet. */
    @Transactional(readOnly = true)
    public List<DigestedReading> freshOf(ReadingsPackage readings) {
        String serial = readings.maker().instrument().orElseThrow().serial();
        Set<ReadingIdentity> stored = stored(serial);
        return readings.readings().stream().filter(reading -> !stored.contains(identity(serial, reading))).toList();
    }

    /**
     * Those that are still not stored. Until the caller's transaction ends nobody else stores readings of the same instrument.
     *
     * @param prepared readings of one instrument
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public List<PreparedReading> withoutStored(List<PreparedReading> prepared) {
        if (prepared.isEmpty()) {
            return prepared;
        }
        String serial = prepared.get(0).identity().instrumentSerial();
        db.sql("SELECT 1 FROM (SELECT pg_advisory_xact_lock(7151, hashtext(?))) AS locked").param(serial).query(Integer.class).single();
        Set<ReadingIdentity> stored = stored(serial);
        return prepared.stream().filter(reading -> !stored.contains(reading.identity())).toList();
    }

    private Set<ReadingIdentity> stored(String serial) {
        return new HashSet<>(db.sql("SELECT own_id, capture_sha256 FROM reading WHERE instrument_serial = ?")
                .param(serial)
                .query((row, n) -> new ReadingIdentity(serial, row.getString(1), row.getString(2)))
                .list());
    }

    private static ReadingIdentity identity(String serial, DigestedReading digested) {
        return new ReadingIdentity(serial, digested.reading().id(), digested.captureSha256());
    }

    private PreparedReading prepare(String serial, DigestedReading digested, PlantTree tree) {
        PackedReading packed = digested.reading();
        ReadingIdentity identity = identity(serial, digested);
        Optional<CheckView> check = packed.stop()
                .flatMap(tree::check)
                .filter(found -> found.technique().id().equals(packed.technique()));
        if (check.isPresent()) {
            SettingValues settings = withSensor(check.get(), packed.settings());
            return new PreparedReading(identity, packed, check, settings, analyse(check.get().technique(), packed, settings));
        }
        Optional<Technique> technique = techniques.find(packed.technique());
        if (technique.isEmpty()) {
            return new PreparedReading(identity, packed, check, new SettingValues(Map.of()), Analysis.refused(
                    new Remark("technique", "Rovek does not know the technique \"" + packed.technique() + "\".", true)));
        }
        SettingValues settings = ownSettings(technique.get(), packed.settings());
        return new PreparedReading(identity, packed, check, settings, analyse(technique.get(), packed, settings));
    }

    /** As the check is set now, but with the sensor it was measured with: that may have been calibrated or changed since. */
    private static SettingValues withSensor(CheckView check, Map<String, String> measuredWith) {
        Map<String, String> values = new HashMap<>(check.settings().values());
        check.technique().sensorUse().ifPresent(use -> Stream.of(use.nameKey(), use.sensitivityKey())
                .filter(measuredWith::containsKey)
                .forEach(key -> values.put(key, measuredWith.get(key))));
        try {
            return check.technique().settingsOf(values);
        } catch (InvalidSettingsException unknownToRovek) {
            return check.settings();
        }
    }

    private static SettingValues ownSettings(Technique technique, Map<String, String> given) {
        try {
            return technique.settingsOf(given);
        } catch (InvalidSettingsException e) {
            return technique.settingsOf(Map.of());
        }
    }

    private static Analysis analyse(Technique technique, PackedReading packed, SettingValues settings) {
        try {
            return technique.analyse(packed.capture().toCapture(), settings);
        } catch (IllegalArgumentException e) {
            return Analysis.refused(new Remark("capture", e.getMessage(), true));
        }
    }

    /**
     * Stores prepared readings.
     *
     * @param fallbackLabel how a stop that is gone from the plant was called, by the stop's id
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void store(
            List<PreparedReading> readings,
            UUID visitId,
            UUID originalId,
            ClockCorrection clock,
            Map<UUID, String> fallbackLabel) {
        for (PreparedReading prepared : readings) {
            ReadingEntity reading = entity(prepared, visitId, originalId, clock, fallbackLabel);
            entities.persist(reading);
            entities.persist(CaptureEntity.of(reading.id, prepared.packed().capture()));
            keepPhotos(reading.id, prepared.packed().photos());
            persistResults(reading.id, reading.checkId, reading.takenAt, prepared.analysis());
        }
        entities.flush();
        for (PreparedReading prepared : readings) {
            prepared.packed().replaces().ifPresent(repeated -> markReplaced(prepared.identity().instrumentSerial(), repeated, prepared));
        }
    }

    private void keepPhotos(UUID readingId, List<PictureCapture> photos) {
        for (int i = 0; i < photos.size(); i++) {
            entities.flush();
            db.sql("INSERT INTO reading_photo (reading_id, place, media_type, bytes) VALUES (?, ?, ?, ?)")
                    .params(readingId, i + 1, photos.get(i).mediaType(), photos.get(i).bytes())
                    .update();
        }
    }

    /** Only on the same check: a reading that was placed elsewhere since is somebody's decision. */
    private void markReplaced(String serial, String ownId, PreparedReading by) {
        db.sql("UPDATE reading SET replaced = true, version = version + 1 WHERE instrument_serial = ? AND own_id = ? AND check_id IS NOT DISTINCT FROM ?")
                .param(serial)
                .param(ownId)
                .param(by.check().map(CheckView::id).orElse(null))
                .update();
    }

    private ReadingEntity entity(
            PreparedReading prepared, UUID visitId, UUID originalId, ClockCorrection clock, Map<UUID, String> fallbackLabel) {
        PackedReading packed = prepared.packed();
        ReadingEntity reading = new ReadingEntity();
        reading.id = UUID.randomUUID();
        reading.checkId = prepared.check().map(CheckView::id).orElse(null);
        reading.visitId = visitId;
        reading.originalId = originalId;
        reading.instrumentSerial = prepared.identity().instrumentSerial();
        reading.ownId = prepared.identity().instrumentReadingId();
        reading.captureSha256 = prepared.identity().captureSha256();
        reading.technique = packed.technique();
        reading.takenAt = clock.correct(packed.takenAt());
        reading.instrumentTime = packed.takenAt();
        reading.label = packed.label().isBlank()
                ? packed.stop().map(stop -> fallbackLabel.getOrDefault(stop, "")).orElse("")
                : packed.label();
        reading.note = packed.note();
        reading.settings = json.writeValueAsString(prepared.settings().values());
        reading.obstacle = prepared.analysis().reasonNotToJudge();
        reading.filled = "{}";
        reading.storedAt = now.instant();
        return reading;
    }

    void persistResults(UUID readingId, UUID checkId, Instant takenAt, Analysis analysis) {
        short place = 0;
        for (Result result : analysis.results()) {
            ResultEntity row = new ResultEntity();
            row.readingId = readingId;
            row.resultId = result.definition().id();
            row.takenAt = takenAt;
            row.checkId = checkId;
            row.place = place++;
            row.value = result.value().value();
            row.unit = result.value().unit().symbol();
            entities.persist(row);
        }
    }
}
