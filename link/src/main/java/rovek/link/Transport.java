package rovek.link;

import java.time.Duration;

/** A way for bytes to and from one instrument. One conversation at a time; not for several threads. */
public interface Transport extends AutoCloseable {

    void connect() throws LinkException;

    boolean isConnected();

    void send(byte[] bytes) throws LinkException;

    /**
     * Waits for bytes.
     *
     * @param into where they go, from index 0 on
     * @param patience how long to wait for the first of them
     * @return how many arrived, at least 1; 0 when patience ran out
     * @throws LinkException.Lost when the link ended
     */
    int receive(byte[] into, Duration patience) throws LinkException;

    /** How the other end is called in messages. */
    String address();

    void disconnect();

    @Override
    default void close() {
        disconnect();
    }
}
