package rovek.server.judging.reading;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.nameplate.Nameplate;
import rovek.core.reading.Capture;
import rovek.core.reading.PictureCapture;
import rovek.core.reading.ValueCapture;
import rovek.core.technique.Analysis;
import rovek.core.technique.Curve;
import rovek.core.technique.Finding;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.technique.Remark;
import rovek.core.technique.SettingValues;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.unit.Amount;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.records.Parts;
import rovek.server.base.wording.Option;
import rovek.server.base.wording.StoredSentence;
import rovek.server.plant.tree.Plant;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Readings looked at closely: their curves, their captures, their photos. */
@Service
public class ReadingDesk {

    private static final String LOOKS = "look:";

    @PersistenceContext
    private EntityManager entities;

    private final Techniques techniques;
    private final Plant plant;
    private final ReadingRepository readings;
    private final ReadingPhotoRepository photos;
    private final JsonMapper json;

    ReadingDesk(
            Techniques techniques,
            Plant plant,
            ReadingRepository readings,
            ReadingPhotoRepository photos,
            JsonMapper json) {
        this.techniques = techniques;
        this.plant = plant;
        this.readings = readings;
        this.photos = photos;
        this.json = json;
    }

    /**
     * What there is to draw of a reading, and what is to be known of it; {@code looks} says in which ways it can be
     * looked at.
     */
    public record Drawn(List<Curve> curves, List<Sentence> remarks, List<Look> looks) {}

    /** One way of looking that can be chosen, and what is chosen. */
    public record Look(String key, Sentence name, List<Option> options, String value) {}

    /** As it is usually looked at. */
    @Transactional(readOnly = true)
    public Drawn drawn(UUID readingId) {
        return drawn(readingId, Map.of());
    }

    /**
     * Analyses a reading's capture once more, to draw it.
     *
     * @param look in which way; what is not said is as usual, and what its technique does not know is left out
     */
    @Transactional(readOnly = true)
    public Drawn drawn(UUID readingId, Map<String, String> look) {
        ReadingEntity reading = require(readingId);
        Technique technique = techniques
                .find(reading.technique)
                .orElseThrow(() -> new DomainProblem.Conflict("no-technique", StoredSentence.read(reading.obstacle)));
        SettingValues settings = settings(technique, reading);
        SettingValues looked = looked(technique, look);
        Analysis analysis;
        List<Curve> curves;
        try {
            Capture capture = stored(readingId);
            analysis = technique.analyse(capture, settings);
            curves = analysis.curves().isEmpty() ? List.of() : technique.curves(capture, settings, looked);
        } catch (IllegalArgumentException ofAnotherKind) {
            // It was stored with that reason: what its technique cannot draw is no fault of whoever looks.
            return new Drawn(
                    List.of(), List.of(Refused.why(ofAnotherKind, Sentence.of("judging.notAnalysed"))), List.of());
        }
        List<Look> looks = technique.looks().stream()
                .map(one -> new Look(
                        one.key(), one.called(LOOKS), Option.of(one.kind().options()), looked.text(one.key())))
                .toList();
        return new Drawn(
                curves, analysis.remarks().stream().map(Remark::sentence).toList(), looks);
    }

    private static SettingValues looked(Technique technique, Map<String, String> look) {
        try {
            return SettingValues.of(LOOKS, technique.looks(), look);
        } catch (InvalidSettingsException wrong) {
            throw new DomainProblem.Invalid("look", wrong.sentence());
        }
    }

    private SettingValues settings(Technique technique, ReadingEntity reading) {
        return technique.settingsOf(json.readValue(reading.settings, new TypeReference<>() {}));
    }

    /**
     * What helps to say why a reading is as it is.
     *
     * @param known frequencies at which the machine shows itself, from its nameplate
     */
    public record Insight(List<Finding> findings, List<Finding.EvidenceMark> known) {}

    /** What a reading's capture shows beside its results, for the machine it was taken on; nothing for a loose one. */
    @Transactional(readOnly = true)
    public Insight insight(UUID readingId) {
        ReadingEntity reading = require(readingId);
        Optional<Technique> technique = techniques.find(reading.technique);
        if (technique.isEmpty() || reading.checkId == null) {
            return new Insight(List.of(), List.of());
        }
        Nameplate plate = plant.tree().nameplate(reading.checkId);
        List<Finding.EvidenceMark> known = technique.get().characteristics(plate).stream()
                .map(one -> new Finding.EvidenceMark(
                        one.id(), one.called(), one.value().value()))
                .toList();
        try {
            return new Insight(
                    technique.get().findings(stored(readingId), settings(technique.get(), reading), plate), known);
        } catch (IllegalArgumentException notOpened) {
            return new Insight(List.of(), known);
        }
    }

    /** What a reading was taken with. */
    public record TakenWith(String technique, Map<String, String> settings) {}

    /** Of several readings. */
    @Transactional(readOnly = true)
    public List<TakenWith> takenWith(Collection<UUID> ids) {
        return Parts.asked(ids, readings::takenWith).stream()
                .map(row -> new TakenWith(row.technique(), json.readValue(row.settings(), new TypeReference<>() {})))
                .toList();
    }

    /** What was recorded, to be looked at as it is. */
    @Transactional(readOnly = true)
    public CaptureView captured(UUID readingId) {
        require(readingId);
        return CaptureView.of(capture(readingId), photos.countByReadingId(readingId));
    }

    /**
     * The numbers of readings that are a single value and nothing else, also where no check says what to make of them.
     */
    @Transactional(readOnly = true)
    public Map<UUID, Amount> lone(Collection<UUID> readings) {
        Map<UUID, Amount> lone = new HashMap<>();
        if (!readings.isEmpty()) {
            entities.createQuery(
                            "SELECT c FROM CaptureEntity c WHERE c.readingId IN :ids AND c.description LIKE :kind",
                            CaptureEntity.class)
                    .setParameter("ids", readings)
                    .setParameter("kind", "%\"kind\":\"value\"%")
                    .getResultList()
                    .forEach(capture -> {
                        if (capture.capture() instanceof ValueCapture value) {
                            lone.put(capture.readingId, value.value());
                        }
                    });
        }
        return lone;
    }

    /** The picture a reading consists of. */
    @Transactional(readOnly = true)
    public PictureCapture picture(UUID readingId) {
        require(readingId);
        if (capture(readingId) instanceof PictureCapture picture) {
            return picture;
        }
        throw new DomainProblem.NotFound(Sentence.of("thing.picture"));
    }

    /** @param number from 1 */
    @Transactional(readOnly = true)
    public PictureCapture photo(UUID readingId, int number) {
        return photos.findById(new ReadingPhotoEntity.Key(readingId, (short) number))
                .map(photo -> new PictureCapture(photo.mediaType, photo.bytes))
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.photo")));
    }

    /** @throws DomainProblem.Conflict where it was stored before such captures were refused, and cannot be opened */
    Capture capture(UUID readingId) {
        try {
            return stored(readingId);
        } catch (IllegalArgumentException notOpened) {
            throw new DomainProblem.Conflict(
                    "no-capture",
                    Sentence.of(
                            "judging.captureUnreadable",
                            "why",
                            Refused.why(notOpened, Sentence.of("judging.notAnalysed"))));
        }
    }

    private Capture stored(UUID readingId) {
        return entities.find(CaptureEntity.class, readingId).capture();
    }

    private ReadingEntity require(UUID id) {
        ReadingEntity reading = entities.find(ReadingEntity.class, id);
        if (reading == null) {
            throw new DomainProblem.NotFound(Sentence.of("thing.reading"));
        }
        return reading;
    }
}
