package rovek.server.outline;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import rovek.core.limit.Verdict;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.server.follow.Standing;
import rovek.server.follow.Standings;

/**
 * What a filter finds.
 *
 * @param hits in the order of the plant
 * @param hitSet the same
 * @param shown the hits and all that stands above them
 */
record Search(List<UUID> hits, Set<UUID> hitSet, Set<UUID> shown) {

    static Search of(OutlineFilter filter, Standings.Moment moment) {
        Finder finder = new Finder(filter, moment);
        moment.tree().nodes().children(Node.PLANT).forEach(client -> finder.visit(client, 0, !OutlineFilter.isGiven(filter.assetClass())));
        return new Search(finder.hits, new HashSet<>(finder.hits), finder.shown);
    }

    /** Goes down the plant once; every word that was met on the way down counts further down too. */
    private static final class Finder {

        private final OutlineFilter filter;
        private final Standings.Moment moment;
        private final List<String> words;
        private final int allWords;
        private final List<UUID> hits = new ArrayList<>();
        private final Set<UUID> shown = new HashSet<>();

        Finder(OutlineFilter filter, Standings.Moment moment) {
            this.filter = filter;
            this.moment = moment;
            this.words = filter.wordsLookedFor();
            this.allWords = (1 << words.size()) - 1;
        }

        /** @return whether it or anything beneath it is a hit */
        boolean visit(UUID id, int wordsAbove, boolean isInClass) {
            Node node = moment.tree().nodes().find(id).orElseThrow();
            boolean ownClass = node.assetClass().equals(filter.assetClass());
            int own = met(node);
            int met = wordsAbove | own;
            boolean inClass = isInClass || ownClass;
            boolean isHit = met == allWords && inClass && (filter.asksForChecks() ? asked(node) : own != 0 || (ownClass && words.isEmpty()));
            if (isHit) {
                hits.add(id);
            }
            boolean any = isHit;
            for (UUID child : moment.tree().nodes().children(id)) {
                any |= visit(child, met, inClass);
            }
            if (any) {
                shown.add(id);
            }
            return any;
        }

        private int met(Node node) {
            if (words.isEmpty()) {
                return 0;
            }
            String label = (node.tag() + " " + moment.tree().name(node)).toLowerCase(Locale.ROOT);
            int met = 0;
            for (int i = 0; i < words.size(); i++) {
                met |= label.contains(words.get(i)) ? 1 << i : 0;
            }
            return met;
        }

        private boolean asked(Node node) {
            if (node.level() != Level.CHECK || (OutlineFilter.isGiven(filter.technique()) && !node.technique().equals(filter.technique()))) {
                return false;
            }
            Standing standing = moment.of(node.id());
            boolean measured = standing.readAt() != null;
            if (Boolean.TRUE.equals(filter.neverMeasured()) && measured) {
                return false;
            }
            return filter.verdict() == null || (standing.worst() == filter.verdict() && (measured || filter.verdict() == Verdict.NOT_JUDGED));
        }
    }
}
