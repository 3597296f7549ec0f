package rovek.server.rounds.visit;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

@Entity
@Table(name = "visit")
class VisitEntity {

    @Id
    UUID id;

    /** The instrument's id of the walk; null for loose readings without one. */
    UUID walkId;

    UUID routeId;
    String title;
    Instant beganAt;
    UUID instrumentId;

    /** Sign-in name of whoever read it back. */
    String technician;

    /** How far the instrument's clock was ahead, as corrected. */
    long clockAheadSeconds;

    /** The instrument's calibration as it stood at this visit; a later one does not reach back. */
    LocalDate calibratedOn;

    LocalDate calibratedUntil;

    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "visit_stop", joinColumns = @JoinColumn(name = "visit_id"))
    @OrderColumn(name = "place")
    List<Stop> stops = new ArrayList<>();

    /** As of when, by the instrument's clock, the walk is known; null where there is none. */
    Instant walkStateAt;

    /** Why its times are in doubt though they may be true; blank where nothing was found. */
    String clockDoubt = "";

    /** Whether a person corrected its stops or its time: what comes later leaves those as they are. */
    boolean corrected;

    /** Whether everything was moved out of it: it is no visit any more, but what is kept names it. */
    boolean empty;

    /**
     * One stop of the walk as it was found.
     *
     * @param planned the check it was loaded for, also where a person moved it to another one
     */
    @Embeddable
    record Stop(UUID checkId, String progress, String note, UUID planned) {}
}
