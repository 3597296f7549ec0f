package rovek.server.instruments.sensor;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import java.util.UUID;

@Entity
@Table(name = "sensor")
class SensorEntity {

    @Id
    UUID id;

    /** Never another one: it is engraved on the sensor, and checks name it. */
    String tag;

    String technique;
    String serial;
    double sensitivity;
    /** Of the sensitivity. */
    String unit;
    /** Null where it is not known; likewise {@code rangeHigh}. */
    Double rangeLow;

    Double rangeHigh;
    String rangeUnit;
    LocalDate calibratedOn;
    Integer calibrationMonths;
    /** Null where it goes with any instrument. */
    UUID instrumentId;

    boolean retired;

    @Version
    Integer version;
}
