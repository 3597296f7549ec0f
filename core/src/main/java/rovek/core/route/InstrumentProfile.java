package rovek.core.route;

import java.util.Set;

/**
 * What an instrument can do, as it says itself.
 *
 * @param techniques ids of the techniques it is licensed for
 * @param options further options by name
 * @param freeBytes room in its memory now
 * @param capacityBytes room in its memory when everything was cleared
 */
public record InstrumentProfile(Set<String> techniques, Set<String> options, long freeBytes, long capacityBytes) {

    public InstrumentProfile {
        techniques = Set.copyOf(techniques);
        options = Set.copyOf(options);
    }
}
