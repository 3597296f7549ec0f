package rovek.core.route;

import java.util.Map;
import java.util.Set;
import rovek.core.wording.Sentence;

/**
 * What an instrument can do, as it says itself.
 *
 * @param techniques ids of the techniques it is licensed for
 * @param options further options by name
 * @param sensorsOut tag of a sensor that cannot be used with it to the reason, e.g. "is retired"
 * @param freeBytes room in its memory now
 * @param capacityBytes room in its memory when everything was cleared
 */
public record InstrumentProfile(
        Set<String> techniques,
        Set<String> options,
        Map<String, Sentence> sensorsOut,
        long freeBytes,
        long capacityBytes) {

    public InstrumentProfile {
        techniques = Set.copyOf(techniques);
        options = Set.copyOf(options);
        sensorsOut = Map.copyOf(sensorsOut);
    }
}
