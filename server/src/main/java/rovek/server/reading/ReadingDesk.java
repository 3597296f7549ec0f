package rovek.server.reading;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.reading.Capture;
import rovek.core.reading.PictureCapture;
import rovek.core.technique.Analysis;
import rovek.core.technique.SettingValues;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.server.audit.AuditTrail;
import rovek.server.plant.CheckView;
import rovek.server.plant.Plant;
import rovek.server.problem.DomainProblem;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What people do with readings: look at their curves, place the loose ones, discard with a reason. */
@Service
public class ReadingDesk {

    @PersistenceContext
    private EntityManager entities;

    private final Plant plant;
    private final Techniques techniques;
    private final ReadingIntake intake;
    private final AuditTrail audit;
    private final JdbcClient db;
    private final JsonMapper json;

    ReadingDesk(Plant plant, Techniques techniques, ReadingIntake intake, AuditTrail audit, JdbcClient db, JsonMapper json) {
        this.plant = plant;
        this.techniques = techniques;
        this.intake = intake;
        this.audit = audit;
        this.db = db;
        this.json = json;
    }

    private record Placement(UUID checkId) {}

    private record Discard(String reason) {}

    /** Analyses a reading's capture once more, to draw it. */
    @Transactional(readOnly = true)
    public Analysis analysis(UUID readingId) {
        ReadingEntity reading = require(readingId);
        Technique technique = techniques.find(reading.technique)
                .orElseThrow(() -> new DomainProblem.Conflict("no-technique", reading.obstacle));
        SettingValues settings = technique.settingsOf(json.readValue(reading.settings, new TypeReference<>() {}));
        return technique.analyse(capture(readingId), settings);
    }

    /** What was recorded, to be looked at as it is. */
    @Transactional(readOnly = true)
    public CaptureView captured(UUID readingId) {
        require(readingId);
        int photos = db.sql("SELECT count(*) FROM reading_photo WHERE reading_id = ?").param(readingId).query(Integer.class).single();
        return CaptureView.of(capture(readingId), photos);
    }

    /** The picture a reading consists of. */
    @Transactional(readOnly = true)
    public PictureCapture picture(UUID readingId) {
        require(readingId);
        if (capture(readingId) instanceof PictureCapture picture) {
            return picture;
        }
        throw new DomainProblem.NotFound("The picture");
    }

    /** @param number from 1 */
    @Transactional(readOnly = true)
    public PictureCapture photo(UUID readingId, int number) {
        return db.sql("SELECT media_type, bytes FROM reading_photo WHERE reading_id = ? AND place = ?")
                .params(readingId, number)
                .query((row, n) -> new PictureCapture(row.getString(1), row.getBytes(2)))
                .optional()
                .orElseThrow(() -> new DomainProblem.NotFound("The photo"));
    }

    private Capture capture(UUID readingId) {
        return entities.find(CaptureEntity.class, readingId).capture();
    }

    /** Puts a reading on a check of the same technique; its results are computed anew with that check's settings. */
    @Transactional
    public void place(UUID readingId, UUID checkId) {
        ReadingEntity reading = require(readingId);
        CheckView check = plant.check(checkId);
        if (!check.technique().id().equals(reading.technique)) {
            throw new DomainProblem.Conflict(
                    "other-technique",
                    "A %s reading cannot be placed on a check of %s.".formatted(reading.technique, check.technique().id()));
        }
        Placement before = new Placement(reading.checkId);
        Analysis analysis = check.technique().analyse(capture(readingId), check.settings());
        db.sql("DELETE FROM result WHERE reading_id = ?").param(readingId).update();
        reading.checkId = checkId;
        reading.settings = json.writeValueAsString(check.settings().values());
        reading.obstacle = analysis.reasonNotToJudge();
        intake.persistResults(readingId, checkId, reading.takenAt, analysis);
        audit.note("place", "reading", readingId, before, new Placement(checkId));
    }

    /** Where a reading shall go; {@code checkId} null for nowhere. */
    record PlaceWanted(UUID readingId, UUID checkId) {}

    /** All of them, or none. */
    @Transactional
    public void placeAll(List<PlaceWanted> wanted) {
        for (PlaceWanted one : wanted) {
            if (one.checkId() == null) {
                unplace(one.readingId());
            } else {
                place(one.readingId(), one.checkId());
            }
        }
    }

    /** Takes a placed reading off its check: it is loose again. */
    @Transactional
    public void unplace(UUID readingId) {
        ReadingEntity reading = require(readingId);
        Placement before = new Placement(reading.checkId);
        reading.checkId = null;
        db.sql("UPDATE result SET check_id = NULL WHERE reading_id = ?").param(readingId).update();
        audit.note("take off", "reading", readingId, before, new Placement(null));
    }

    /** @param reason why it does not count; blank takes a discarded reading back */
    @Transactional
    public void discard(UUID readingId, String reason) {
        ReadingEntity reading = require(readingId);
        Discard before = new Discard(reading.discardedBecause);
        reading.discardedBecause = reason == null || reason.isBlank() ? null : reason.strip();
        audit.note("discard", "reading", readingId, before, new Discard(reading.discardedBecause));
    }

    private ReadingEntity require(UUID id) {
        ReadingEntity reading = entities.find(ReadingEntity.class, id);
        if (reading == null) {
            throw new DomainProblem.NotFound("The reading");
        }
        return reading;
    }
}
