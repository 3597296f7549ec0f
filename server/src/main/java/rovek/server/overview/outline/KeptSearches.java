package rovek.server.overview.outline;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import rovek.server.follow.standing.Standings;

/** What was looked for lately: page after page of one search asks the same again. */
final class KeptSearches {

    private static final int MOST = 8;

    /**
     * What was looked for.
     *
     * @param onlyChecks every check the filter fits, rather than the rows that are what is looked for
     */
    record Asked(OutlineFilter filter, boolean onlyChecks) {}

    private record Kept(Standings.Moment moment, Search search) {}

    private final Map<Asked, Kept> byAsked = new LinkedHashMap<>(16, 0.75f, true);

    synchronized Optional<Search> find(Asked asked, Standings.Moment moment) {
        return Optional.ofNullable(byAsked.get(asked))
                .filter(kept -> kept.moment() == moment)
                .map(Kept::search);
    }

    synchronized void keep(Asked asked, Standings.Moment moment, Search search) {
        byAsked.put(asked, new Kept(moment, search));
        if (byAsked.size() > MOST) {
            byAsked.remove(byAsked.keySet().iterator().next());
        }
    }
}
