package rovek.server.instruments.instrument;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.util.Set;
import rovek.link.Instrument;
import rovek.link.LinkException;

/**
 * A link whose claim is looked at before anything is changed on the instrument. A server that slept for longer than its
 * claim lasts has lost it to another one without noticing; what it would go on with is refused.
 */
final class FencedLink {

    private static final Set<String> CHANGES = Set.of(
            "setClock", "write", "delete", "beginFirmware", "writeFirmware", "installFirmware", "startRun", "endRun");

    private FencedLink() {}

    /** @param claim that the link is held by */
    static Instrument of(Instrument link, InstrumentClaims.Claim claim) {
        return (Instrument) Proxy.newProxyInstance(
                FencedLink.class.getClassLoader(), new Class<?>[] {Instrument.class}, (proxy, method, arguments) -> {
                    if (CHANGES.contains(method.getName()) && !claim.isHeld()) {
                        throw new LinkException.TakenOver();
                    }
                    try {
                        return method.invoke(link, arguments);
                    } catch (InvocationTargetException e) {
                        throw e.getCause();
                    }
                });
    }
}
