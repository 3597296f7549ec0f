package rovek.link;

/** A transport without hardware; who extends it says what is sent and received. */
public abstract class FakeTransport implements Transport {

    private boolean connected;

    @Override
    public void connect() {
        connected = true;
    }

    @Override
    public boolean isConnected() {
        return connected;
    }

    @Override
    public String address() {
        return "script";
    }

    @Override
    public void disconnect() {
        connected = false;
    }
}
