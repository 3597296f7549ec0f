package rovek.core.plant;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;

/**
 * Room for new siblings between old ones. There are gaps, so that a row put in between changes no other; where a gap is
 * used up, the siblings are spread again.
 *
 * @param places one for each row that comes, rising
 * @param spread how the siblings move apart; empty as long as there was room
 */
public record Places(List<Long> places, List<Alteration> spread) {

    /** Between neighbours that were never put apart by others: room for some twenty insertions at the same spot. */
    public static final long STEP = 1L << 20;

    /**
     * @param parent where they come
     * @param after the sibling they follow; empty for the first place; one that is not there counts as the last
     * @param count how many come
     * @param leaving siblings that are about to leave, and are not to be counted
     */
    public static Places after(NodeTree tree, UUID parent, Optional<UUID> after, int count, Set<UUID> leaving) {
        List<Node> siblings = tree.children(parent).stream()
                .filter(Predicate.not(leaving::contains))
                .flatMap(id -> tree.find(id).stream())
                .toList();
        int at = after.map(id -> indexBehind(siblings, id)).orElse(0);
        long low = at == 0 ? 0 : siblings.get(at - 1).place();
        if (at == siblings.size()) {
            return new Places(spaced(low, STEP, count), List.of());
        }
        long gap = siblings.get(at).place() - low;
        long step = gap / (count + 1);
        if (step >= 1) {
            return new Places(spaced(low, step, count), List.of());
        }
        return spreadAgain(siblings, at, count);
    }

    /** Behind all that stand there. */
    public static Places last(NodeTree tree, UUID parent, int count) {
        List<UUID> siblings = tree.children(parent);
        long low = siblings.isEmpty()
                ? 0
                : tree.find(siblings.get(siblings.size() - 1)).orElseThrow().place();
        return new Places(spaced(low, STEP, count), List.of());
    }

    private static int indexBehind(List<Node> siblings, UUID id) {
        for (int i = 0; i < siblings.size(); i++) {
            if (siblings.get(i).id().equals(id)) {
                return i + 1;
            }
        }
        return siblings.size();
    }

    private static List<Long> spaced(long from, long step, int count) {
        List<Long> places = new ArrayList<>(count);
        for (int i = 1; i <= count; i++) {
            places.add(from + i * step);
        }
        return places;
    }

    private static Places spreadAgain(List<Node> siblings, int at, int count) {
        List<Alteration> spread = new ArrayList<>();
        for (int i = 0; i < siblings.size(); i++) {
            Node sibling = siblings.get(i);
            long place = (i + 1L + (i >= at ? count : 0)) * STEP;
            spread.add(Alteration.between(sibling, sibling.at(sibling.parentId(), place)));
        }
        return new Places(spaced(at * STEP, STEP, count), spread);
    }
}
