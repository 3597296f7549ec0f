package rovek.server.reports.certificate;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rovek.core.certificate.CertificateContent.InstrumentStatement;
import rovek.core.certificate.CertificateContent.SensorStatement;
import rovek.core.technique.SensorUse;
import rovek.core.technique.Techniques;
import rovek.core.wording.Sentence;
import rovek.server.instruments.instrument.InstrumentView;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.instruments.sensor.SensorView;
import rovek.server.instruments.sensor.Sensors;
import rovek.server.judging.reading.InstrumentCalibration;
import rovek.server.judging.reading.ReadingDesk;
import rovek.server.judging.reading.ReadingView;

/** What readings were taken with, each with the calibration it had then. */
@Component
class Equipment {

    private final Instruments instruments;
    private final Sensors sensors;
    private final ReadingDesk desk;
    private final Techniques techniques;

    Equipment(Instruments instruments, Sensors sensors, ReadingDesk desk, Techniques techniques) {
        this.instruments = instruments;
        this.sensors = sensors;
        this.desk = desk;
        this.techniques = techniques;
    }

    private record Used(UUID instrument, InstrumentCalibration calibration) {}

    /**
     * Readings that were moved here may have been taken with other instruments than the visit's, and at another time.
     */
    List<InstrumentStatement> instruments(Collection<ReadingView> readings) {
        return readings.stream()
                .map(reading -> new Used(reading.instrumentId(), reading.calibration()))
                .distinct()
                .flatMap(used -> Optional.of(instruments.get(used.instrument()))
                        .filter(instrument -> !instrument.isByHand())
                        .map(instrument -> statement(instrument, used.calibration()))
                        .stream())
                .toList();
    }

    boolean isByHand(Collection<ReadingView> readings) {
        return readings.stream()
                .map(ReadingView::instrumentId)
                .distinct()
                .anyMatch(id -> instruments.get(id).isByHand());
    }

    /**
     * An instrument with the calibration it told when it was read back; where it told none, with the one that a person
     * has entered for it.
     */
    static InstrumentStatement statement(InstrumentView instrument, InstrumentCalibration told) {
        InstrumentCalibration calibration = told.on() == null && !instrument.tellsCalibration()
                ? new InstrumentCalibration(instrument.calibratedOn(), instrument.calibratedUntil())
                : told;
        String model = (instrument.maker() + " " + instrument.model()).strip();
        return new InstrumentStatement(
                instrument.serial().isEmpty()
                        ? Sentence.of("reports.instrumentUnnumbered", "model", model, "knownBy", instrument.knownBy())
                        : Sentence.of("reports.instrumentNumbered", "model", model, "serial", instrument.serial()),
                Optional.ofNullable(calibration.on()),
                Optional.ofNullable(calibration.until()));
    }

    /** @param day of the visit */
    List<SensorStatement> sensors(Collection<ReadingView> readings, LocalDate day) {
        return desk.takenWith(readings.stream().map(ReadingView::id).toList()).stream()
                .flatMap(taken -> techniques
                        .find(taken.technique())
                        .flatMap(technique -> technique.sensorUse())
                        .map(use -> taken.settings().getOrDefault(use.nameKey(), SensorUse.NONE))
                        .stream())
                .filter(tag -> !tag.equals(SensorUse.NONE) && !tag.isBlank())
                .distinct()
                .map(tag -> sensors.asOn(tag, day)
                        .map(Equipment::statement)
                        .orElse(new SensorStatement(Sentence.plain(tag), false, Optional.empty(), Optional.empty())))
                .toList();
    }

    private static SensorStatement statement(SensorView sensor) {
        Sentence name = sensor.serial().isBlank()
                ? Sentence.plain(sensor.tag())
                : Sentence.of("reports.instrumentNumbered", "model", sensor.tag(), "serial", sensor.serial());
        return new SensorStatement(
                name, true, Optional.ofNullable(sensor.calibratedOn()), Optional.ofNullable(sensor.dueOn()));
    }
}
