package rovek.server.instrument;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;

@Entity
@Table(name = "instrument")
class InstrumentEntity {

    @Id
    UUID id;

    String maker;
    String model;
    String serial;
    String firmware;

    /** Names, separated by commas. */
    String options;

    String host;
    int port;
    String passCode;
    LocalDate calibratedOn;
    LocalDate calibratedUntil;
    Instant lastSeenAt;

    @Version
    Integer version;

    InstrumentView view() {
        List<String> names = Arrays.stream(options.split(",")).filter(name -> !name.isBlank()).toList();
        return new InstrumentView(
                id, maker, model, serial, firmware, names, host, port, calibratedOn, calibratedUntil, lastSeenAt.toString());
    }
}
