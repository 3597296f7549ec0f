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
     * @param dueChecks those on routes that are due, where the filter asks for them
     */
    static Search of(OutlineFilter filter, Standings.Moment moment, SearchIndex index, Set<UUID> dueChecks) {
        List<String> words = filter.wordsLookedFor();
        int allWords = (1 << words.size()) - 1;
        boolean asksForClass = OutlineFilter.isGiven(filter.assetClass());
        int[] met = new int[index.size()];
        boolean[] inClass = new boolean[index.size()];
        boolean[] isShown = new boolean[index.size()];
        List<UUID> hits = new ArrayList<>();
        for (int i = 0; i < index.size(); i++) {
            int parent = index.parent(i);
            Node node = index.node(i);
            int own = met(index.label(i), words);
            boolean ownClass = asksForClass && node.assetClass().equals(filter.assetClass());
            met[i] = own | (parent < 0 ? 0 : met[parent]);
            inClass[i] = !asksForClass || ownClass || (parent >= 0 && inClass[parent]);
            boolean isAsked = filter.asksForChecks() ? isAsked(node, filter, moment, dueChecks) : own != 0 || (ownClass && words.isEmpty());
            if (isAsked && met[i] == allWords && inClass[i]) {
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
