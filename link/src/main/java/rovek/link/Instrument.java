package rovek.link;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import rovek.core.live.LiveChannel;
import rovek.link.scpi.ScpiSession;

/** One connected instrument: what can be asked of it and done with it, in the terms of the work. Times are UTC. */
public interface Instrument extends AutoCloseable {

    /** How long an instrument may stay silent. */
    Duration PATIENCE = Duration.ofSeconds(5);

    /**
     * Connects in text commands, gives the pass code where there is one, and empties the error queue.
     *
     * @throws LinkException.PassCodeWanted when the code is missing or wrong
     */
    static Instrument connect(Transport transport, Optional<String> passCode) throws LinkException {
        return connect(transport, passCode, PATIENCE);
    }

    /** @param patience how long the instrument may stay silent */
    static Instrument connect(Transport transport, Optional<String> passCode, Duration patience) throws LinkException {
        return connect(transport, passCode, patience, ScpiSession.NO_END);
    }

    /**
     * @param patience how long the instrument may stay silent
     * @param longest how long the link may be held in all
     */
    static Instrument connect(Transport transport, Optional<String> passCode, Duration patience, Duration longest)
            throws LinkException {
        return ScpiInstrument.connect(transport, passCode, patience, longest);
    }

    InstrumentIdentity identity() throws LinkException;

    /** State of charge in percent; empty where it cannot tell. */
    OptionalInt batteryPercent() throws LinkException;

    /** Its own temperature in °C; empty where it cannot tell. */
    OptionalDouble temperatureCelsius() throws LinkException;

    /** What the instrument's clock says, to the second; empty where it cannot be asked. */
    Optional<Instant> clock() throws LinkException;

    void setClock(Instant to) throws LinkException;

    MemoryCatalogue catalogue() throws LinkException;

    /** SHA-256 of a file as the instrument computes it, in hexadecimal. */
    String digest(String file) throws LinkException;

    /**
     * A part of a file.
     *
     * @param offset first byte, from 0
     * @param count how many at most; fewer come only at the file's end
     */
    byte[] slice(String file, long offset, int count) throws LinkException;

    /** Writes a file: it is there whole afterwards, or as it was before. */
    void write(String file, byte[] bytes) throws LinkException;

    /** Removes a file. Only for what is stored here already, its digest compared. */
    void delete(String file) throws LinkException;

    /**
     * What it holds of a firmware image that is being loaded.
     *
     * @param sha256 of the image, as it was announced; blank where none is being loaded
     * @param bytes how much of it has arrived
     * @param isInstalling whether it is being installed, and nothing else is possible
     */
    record FirmwareState(String sha256, long bytes, boolean isInstalling) {}

    FirmwareState firmware() throws LinkException;

    /** Announces an image. What has arrived of the very same image before is kept. */
    void beginFirmware(String sha256, long bytes) throws LinkException;

    void writeFirmware(long offset, byte[] piece) throws LinkException;

    /**
     * Has the image verified and installed. Until that is done the old firmware stays.
     *
     * @throws LinkException.BatteryLow when the charge would not last
     */
    void installFirmware() throws LinkException;

    /** What it shows live; empty where it shows nothing. */
    List<LiveChannel> liveChannels() throws LinkException;

    /** All live channels as they are now, NaN where one has no value. */
    double[] fetch() throws LinkException;

    /** Begins a run as its set-up has it. */
    void startRun() throws LinkException;

    /** Ends a run; what was recorded stays in its memory. */
    void endRun() throws LinkException;

    boolean isRunning() throws LinkException;

    /** Options it could have and has not; empty where it does not tell. */
    List<String> availableOptions() throws LinkException;

    @Override
    void close();
}
