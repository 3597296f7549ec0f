package rovek.server.instruments.sensor;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

/** That a sensor was calibrated on a day: a later calibration does not reach back. */
@Entity
@Immutable
@Table(name = "sensor_calibration")
@IdClass(SensorCalibrationEntity.Key.class)
class SensorCalibrationEntity {

    @Id
    UUID sensorId;

    @Id
    LocalDate calibratedOn;

    record Key(UUID sensorId, LocalDate calibratedOn) {}
}
