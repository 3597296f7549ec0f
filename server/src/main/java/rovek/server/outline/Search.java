package rovek.server.outline;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import rovek.core.limit.Verdict;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.server.follow.Standings;

/**
 * What a filter finds.
 *
 * @param hits in the order of the plant
 * @param hitSet the same
 * @param shown the hits and all that stands above them
 */
record Search(List<UUID> hits, Set<UUID> hitSet, Set<UUID> shown) {

    /**
     * Goes through the plant once; every word that was met further up counts further down too.
     *
     * @param onlyChecks every check the filter fits is a hit, and nothing else
     * @param dueChecks those on routes that are due, where the filter asks for them
     */
    static Search of(OutlineFilter filter, boolean onlyChecks, Standings.Moment moment, SearchIndex index, Set<UUID> dueChecks) {
        List<String> words = filter.wordsLookedFor();
        int allWords = (1 << words.size()) - 1;
        int[] met = new int[index.size()];
        // Most filters ask for nothing that is said further up.
        Scope[] scopes = Scope.isAsked(filter) ? new Scope[index.size()] : null;
        boolean[] isShown = new boolean[index.size()];
        List<UUID> hits = new ArrayList<>();
        for (int i = 0; i < index.size(); i++) {
            int parent = index.parent(i);
            Node node = index.node(i);
            int own = met(index.label(i), words);
            met[i] = own | (parent < 0 ? 0 : met[parent]);
            if (scopes != null) {
                scopes[i] = (parent < 0 ? Scope.NONE : scopes[parent]).at(node, filter);
            }
            boolean isAsked = onlyChecks ? isAsked(node, filter, moment, dueChecks) : own != 0 || (words.isEmpty() && filter.isMetBy(node));
            if (isAsked && met[i] == allWords && (scopes == null || scopes[i].fits(filter))) {
                hits.add(node.id());
                for (int above = i; above >= 0 && !isShown[above]; above = index.parent(above)) {
                    isShown[above] = true;
                }
            }
        }
        Set<UUID> shown = new HashSet<>();
        for (int i = 0; i < index.size(); i++) {
            if (isShown[i]) {
                shown.add(index.node(i).id());
            }
        }
        return new Search(hits, new HashSet<>(hits), shown);
    }

    /**
     * What holds at a node from what is said of it and above it.
     *
     * @param assetClass whether it, or what it stands in, is of the class that is asked for
     * @param criticality the nearest one said
     * @param isWithin whether it stands at or beneath the node that is asked for
     */
    private record Scope(boolean assetClass, String criticality, boolean isWithin) {

        static final Scope NONE = new Scope(false, "", false);

        static boolean isAsked(OutlineFilter filter) {
            return OutlineFilter.isGiven(filter.assetClass()) || OutlineFilter.isGiven(filter.criticality()) || filter.within() != null;
        }

        /** The same object where nothing changes, which is so almost everywhere. */
        Scope at(Node node, OutlineFilter filter) {
            boolean ofClass = assetClass || (OutlineFilter.isGiven(filter.assetClass()) && node.assetClass().equals(filter.assetClass()));
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
        if (node.level() != Level.CHECK || (OutlineFilter.isGiven(filter.technique()) && !node.technique().equals(filter.technique()))) {
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
                || (moment.verdictOf(node.id()) == filter.verdict() && (measured || filter.verdict() == Verdict.NOT_JUDGED));
    }
}
