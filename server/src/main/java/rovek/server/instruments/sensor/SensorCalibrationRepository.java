package rovek.server.instruments.sensor;

import java.time.LocalDate;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface SensorCalibrationRepository extends Repository<SensorCalibrationEntity, SensorCalibrationEntity.Key> {

    /** The day of its last calibration up to a day; null for none. */
    @Query("""
            SELECT max(c.calibratedOn) FROM SensorCalibrationEntity c
            WHERE c.sensorId = :sensor AND c.calibratedOn <= :day""")
    LocalDate lastUntil(UUID sensor, LocalDate day);

    @Modifying
    @Query("""
            INSERT INTO SensorCalibrationEntity (sensorId, calibratedOn) VALUES (:sensor, :day) ON CONFLICT DO NOTHING""")
    void note(UUID sensor, LocalDate day);
}
