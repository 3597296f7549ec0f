package rovek.server.overview.outline;

import java.util.BitSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import rovek.core.limit.Verdict;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.server.follow.standing.Standings;

/** What a filter finds, by the places of an index. */
final class Search {

    private final SearchIndex index;
    private final BitSet hits;
    private final BitSet shown;

    private Search(SearchIndex index, BitSet hits, BitSet shown) {
        this.index = index;
        this.hits = hits;
        this.shown = shown;
    }

    /** What was found, in the order of the plant. */
    List<UUID> hits() {
        return hits.stream().mapToObj(i -> index.node(i).id()).toList();
    }

    int count() {
        return hits.cardinality();
    }

    boolean isHit(UUID id) {
        return index.position(id).filter(hits::get).isPresent();
    }

    /** Whether it was found, or stands above what was. */
    boolean isShown(UUID id) {
        return index.position(id).filter(shown::get).isPresent();
    }

    /**
     * Goes through the plant once; every word that was met further up counts further down too.
     *
     * @param onlyChecks every check the filter fits is a hit, and nothing else
     * @param dueChecks those on routes that are due, where the filter asks for them
     */
    static Search of(
            OutlineFilter filter, boolean onlyChecks, Standings.Moment moment, SearchIndex index, Set<UUID> dueChecks) {
        List<String> words = filter.wordsLookedFor();
        int allWords = (1 << words.size()) - 1;
        int[] met = new int[index.size()];
        // Most filters ask for nothing that is said further up.
        Scope[] scopes = Scope.isAsked(filter) ? new Scope[index.size()] : null;
        BitSet hits = new BitSet(index.size());
        BitSet shown = new BitSet(index.size());
        for (int i = 0; i < index.size(); i++) {
            int parent = index.parent(i);
            Node node = index.node(i);
            int own = met(index.label(i), words);
            met[i] = own | (parent < 0 ? 0 : met[parent]);
            if (scopes != null) {
                scopes[i] = (parent < 0 ? Scope.NONE : scopes[parent]).at(node, filter);
            }
            boolean isAsked = onlyChecks
                    ? isAsked(node, filter, moment, dueChecks)
                    : own != 0 || (words.isEmpty() && filter.isMetBy(node));
            if (isAsked && met[i] == allWords && (scopes == null || scopes[i].fits(filter))) {
                hits.set(i);
                for (int above = i; above >= 0 && !shown.get(above); above = index.parent(above)) {
                    shown.set(above);
                }
            }
        }
        return new Search(index, hits, shown);
    }

    /**
     * What holds at a node from what is said of it and above it.
     *
     * @param assetClass whether it, or what it stands in, is of the class that is asked for
     * @param criticality the nearest one said
     * @param isWithin whether it stands at or below the node that is asked for
     */
    private record Scope(boolean assetClass, String criticality, boolean isWithin) {

        static final Scope NONE = new Scope(false, "", false);

        static boolean isAsked(OutlineFilter filter) {
            return OutlineFilter.isGiven(filter.assetClass())
                    || OutlineFilter.isGiven(filter.criticality())
                    || filter.within() != null;
        }

        /** The same object where nothing changes, which is so almost everywhere. */
        Scope at(Node node, OutlineFilter filter) {
            boolean ofClass = assetClass
                    || (OutlineFilter.isGiven(filter.assetClass())
                            && node.assetClass().equals(filter.assetClass()));
            String own = OutlineFilter.isGiven(filter.criticality()) ? OutlineFilter.criticalityOf(node) : "";
            boolean within = isWithin || node.id().equals(filter.within());
            boolean isSame = ofClass == assetClass && (own.isEmpty() || own.equals(criticality)) && within == isWithin;
            return isSame ? this : new Scope(ofClass, own.isEmpty() ? criticality : own, within);
        }

        boolean fits(OutlineFilter filter) {
            return (!OutlineFilter.isGiven(filter.assetClass()) || assetClass)
                    && (!OutlineFilter.isGiven(filter.criticality()) || criticality.equals(filter.criticality()))
                    && (filter.within() == null || isWithin);
        }
    }

    private static int met(String label, List<String> words) {
        int met = 0;
        for (int i = 0; i < words.size(); i++) {
            met |= label.contains(words.get(i)) ? 1 << i : 0;
        }
        return met;
    }

    private static boolean isAsked(Node node, OutlineFilter filter, Standings.Moment moment, Set<UUID> dueChecks) {
        if (node.level() != Level.CHECK
                || (OutlineFilter.isGiven(filter.technique())
                        && !node.technique().equals(filter.technique()))) {
            return false;
        }
        if (filter.asksForDue() && !dueChecks.contains(node.id())) {
            return false;
        }
        boolean measured = moment.isMeasured(node.id());
        if (Boolean.TRUE.equals(filter.neverMeasured()) && measured) {
            return false;
        }
        return filter.verdict() == null
                || (moment.verdictOf(node.id()) == filter.verdict()
                        && (measured || filter.verdict() == Verdict.NOT_JUDGED));
    }
}
