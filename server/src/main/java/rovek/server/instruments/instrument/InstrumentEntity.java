package rovek.server.instruments.instrument;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.TreeSet;
import java.util.UUID;
import rovek.link.InstrumentIdentity;

@Entity
@Table(name = "instrument")
class InstrumentEntity {

    @Id
    UUID id;

    String maker;
    String model;

    /** Blank where it tells none. */
    String serial;

    /** What tells it apart without a serial number: its connection, or the person who brought its file. */
    String knownBy = "";

    String firmware;

    /** Names, separated by commas. */
    String options;

    /** As the instrument tells; likewise until when. */
    LocalDate calibratedOn;

    LocalDate calibratedUntil;

    /** As somebody wrote it down, for an instrument that does not tell. */
    LocalDate writtenCalibratedOn;

    Integer calibrationMonths;

    /** Whether it is no instrument, but somebody who writes readings down. */
    boolean byHand;

    Instant lastSeenAt;

    /** How far its clock was ahead when it was last looked at, and when that was; null where that is not known. */
    Long clockAheadMillis;

    Instant clockSeenAt;

    /** The same of the last look before somebody set it; null once its readings were read back. */
    Long clockAheadBeforeMillis;

    Instant clockSeenBeforeAt;

    @Version
    Integer version;

    static String names(InstrumentIdentity identity) {
        return String.join(",", new TreeSet<>(identity.options().keySet()));
    }

    /** Whether an identity says nothing that is not known. */
    boolean knows(InstrumentIdentity identity) {
        return (identity.maker().isBlank() || maker.equals(identity.maker()))
                && firmware.equals(identity.firmware())
                && options.equals(names(identity))
                && Objects.equals(calibratedOn, identity.calibratedOn().orElse(null))
                && Objects.equals(calibratedUntil, identity.calibratedUntil().orElse(null));
    }

    InstrumentView view() {
        List<String> names = Arrays.stream(options.split(","))
                .filter(name -> !name.isBlank())
                .toList();
        LocalDate on = calibratedOn == null ? writtenCalibratedOn : calibratedOn;
        LocalDate byInterval = on == null || calibrationMonths == null ? null : on.plusMonths(calibrationMonths);
        return new InstrumentView(
                id,
                maker,
                model,
                serial,
                knownBy,
                firmware,
                names,
                on,
                calibratedUntil == null ? byInterval : calibratedUntil,
                calibrationMonths,
                calibratedOn != null,
                byHand,
                lastSeenAt.toString());
    }
}
