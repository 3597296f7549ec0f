package rovek.server.instruments.sensor;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.Sensor;
import rovek.core.technique.SensorUse;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.problem.DomainProblem.Fault;
import rovek.server.instruments.instrument.Instruments;

/**
 * The register of sensors. None is ever removed, since checks and readings name them; one that is out of use is
 * retired.
 */
@Service
public class Sensors {

    private final SensorRepository sensors;
    private final Instruments instruments;
    private final Techniques techniques;
    private final AuditTrail audit;
    private final SensorCalibrationRepository calibrations;
    private final Clock clock;

    Sensors(
            SensorRepository sensors,
            Instruments instruments,
            Techniques techniques,
            AuditTrail audit,
            SensorCalibrationRepository calibrations,
            Clock clock) {
        this.sensors = sensors;
        this.instruments = instruments;
        this.techniques = techniques;
        this.audit = audit;
        this.calibrations = calibrations;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<SensorView> list() {
        return sensors.findAllByOrderByTag().stream().map(SensorView::of).toList();
    }

    /**
     * A sensor with the calibration it had on a day, which is one from before that day.
     *
     * @param tag as a reading's settings name it
     * @return empty where no such sensor is registered
     */
    @Transactional(readOnly = true)
    public Optional<SensorView> asOn(String tag, LocalDate day) {
        return sensors.findByTag(tag).map(SensorView::of).map(sensor -> {
            if (sensor.calibratedOn() == null || !sensor.calibratedOn().isAfter(day)) {
                return sensor;
            }
            return sensor.calibrated(calibrations.lastUntil(sensor.id(), day));
        });
    }

    /** Puts a sensor into the register with an id of the caller's choice, or changes it. */
    @Transactional
    public SensorView put(UUID id, SensorDraft draft) {
        Optional<SensorEntity> known = sensors.findById(id);
        if (known.isPresent() && known.get().version != draft.version()) {
            throw new DomainProblem.Stale(Sentence.of("thing.sensor"));
        }
        Technique technique = techniques
                .find(draft.technique())
                .orElseThrow(() -> new DomainProblem.Invalid(
                        "technique", Sentence.of("base.unknownTechnique", "technique", draft.technique())));
        SensorUse use = technique
                .sensorUse()
                .orElseThrow(() -> new DomainProblem.Invalid(
                        "technique", Sentence.of("instruments.noSensors", "technique", technique.name())));
        List<Fault> faults = SensorCheck.faults(
                draft,
                technique,
                use,
                known.map(sensor -> sensor.tag),
                LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC));
        if (!faults.isEmpty()) {
            throw new DomainProblem.Invalid(faults);
        }
        if (sensors.findByTag(draft.tag().strip())
                .filter(other -> !other.id.equals(id))
                .isPresent()) {
            throw new DomainProblem.Invalid(
                    "tag",
                    Sentence.of("instruments.sensorTaken", "tag", draft.tag().strip()));
        }
        if (draft.instrumentId() != null) {
            instruments.get(draft.instrumentId());
        }
        SensorView before = known.map(SensorView::of).orElse(null);
        SensorEntity sensor = known.orElseGet(SensorEntity::new);
        sensor.id = id;
        write(sensor, draft, technique, use);
        SensorView saved = SensorView.of(sensors.saveAndFlush(sensor));
        if (saved.calibratedOn() != null) {
            calibrations.note(id, saved.calibratedOn());
        }
        audit.note(before == null ? "add" : "change", "sensor", id, before, saved);
        return saved;
    }

    private static void write(SensorEntity sensor, SensorDraft draft, Technique technique, SensorUse use) {
        sensor.tag = draft.tag().strip();
        sensor.technique = technique.id();
        sensor.serial = draft.serial() == null ? "" : draft.serial().strip();
        sensor.sensitivity = draft.sensitivity();
        sensor.unit = technique.setting(use.sensitivityKey()).unit();
        sensor.rangeLow = draft.rangeLow();
        sensor.rangeHigh = draft.rangeHigh();
        sensor.rangeUnit = use.quantityUnit();
        sensor.calibratedOn = draft.calibratedOn();
        sensor.calibrationMonths = draft.calibrationMonths();
        sensor.instrumentId = draft.instrumentId();
        sensor.retired = draft.retired();
    }

    /** Whether there is a sensor of this tag that measures for a technique. */
    @Transactional(readOnly = true)
    public boolean isKnown(String tag, String technique) {
        return sensors.findByTag(tag)
                .filter(sensor -> sensor.technique.equals(technique))
                .isPresent();
    }

    /** @throws DomainProblem.NotFound where it is not in the register */
    @Transactional(readOnly = true)
    public void requireThere(UUID id) {
        if (sensors.findById(id).isEmpty()) {
            throw new DomainProblem.NotFound(Sentence.of("thing.sensor"));
        }
    }

    /** All sensors by tag. */
    @Transactional(readOnly = true)
    public Map<String, Sensor> byTag() {
        return sensors.findAllByOrderByTag().stream()
                .map(sensor -> new Sensor(sensor.tag, sensor.technique, sensor.sensitivity))
                .collect(Collectors.toMap(Sensor::tag, Function.identity()));
    }

    /** The sensors that cannot be used with an instrument, each with the reason as the end of a sentence. */
    @Transactional(readOnly = true)
    public Map<String, Sentence> outFor(UUID instrumentId) {
        Map<String, Sentence> out = new HashMap<>();
        for (SensorEntity sensor : sensors.findAllByOrderByTag()) {
            if (sensor.retired) {
                out.put(sensor.tag, Sentence.of("instruments.sensorRetired"));
            } else if (sensor.instrumentId != null && !sensor.instrumentId.equals(instrumentId)) {
                out.put(
                        sensor.tag,
                        Sentence.of(
                                "instruments.sensorOfOther",
                                "instrument",
                                instruments.get(sensor.instrumentId).said()));
            }
        }
        return out;
    }
}
