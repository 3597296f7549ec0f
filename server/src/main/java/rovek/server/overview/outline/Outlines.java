package rovek.server.overview.outline;

import jakarta.annotation.Nullable;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.server.follow.standing.Standing;
import rovek.server.follow.standing.Standings;
import rovek.server.overview.outline.KeptSearches.Asked;
import rovek.server.overview.schedule.Schedule;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.PlantNode;

/** The plant as rows, as much of it as is open. */
@Service
public class Outlines {

    /** So many rows are opened by themselves; a small plant stands open as a whole. */
    private static final int ROWS_OPENED = 300;

    private static final int MOST_FOUND = 20;

    private final Standings standings;
    private final Schedule schedule;
    private final SearchIndexes indexes;
    private final KeptSearches searches = new KeptSearches();

    Outlines(Standings standings, Schedule schedule, SearchIndexes indexes) {
        this.standings = standings;
        this.schedule = schedule;
        this.indexes = indexes;
    }

    /**
     * A row.
     *
     * @param children how many rows stand directly below it, under the filter
     * @param isHit whether it is what the filter looks for, rather than what leads there
     */
    public record Row(PlantNode node, int children, boolean isHit, Standing standing) {}

    /** The rows that stand in one node; {@code parentId} null for the clients. */
    public record Block(@Nullable UUID parentId, List<Row> rows) {}

    /**
     * What is open of the plant.
     *
     * @param hits how many rows the filter finds; 0 without a filter
     * @param whole how all checks stand together
     * @param nodes how many rows there are in all
     */
    public record Outline(List<Block> blocks, int hits, Standing whole, int nodes) {}

    /**
     * What is asked for.
     *
     * @param open nodes whose rows are wanted; null to have as much opened as is seen at a glance
     * @param reveal a node that has to be among the rows
     */
    public record Wanted(
            @Nullable List<UUID> open,
            @Nullable UUID reveal,
            @Nullable OutlineFilter filter) {}

    /** A node that was found by its name. */
    public record Found(UUID id, Level level, String tag, String name, String place) {}

    /**
     * A check as it is picked for something.
     *
     * @param path ids from the client down to its point
     */
    public record PickedCheck(
            UUID id,
            List<UUID> path,
            String technique,
            String assetTag,
            String assetName,
            String point,
            String check) {}

    /** Checks that were asked for, in the order of the plant; {@code all} says how many there are in all. */
    public record Picked(List<PickedCheck> checks, int all) {}

    public Outline outline(Wanted wanted) {
        View view = view(wanted.filter());
        indexes.prepare(view.moment.tree());
        Set<UUID> open = wanted.open() == null ? view.openedByItself() : new LinkedHashSet<>(wanted.open());
        if (wanted.reveal() != null) {
            view.moment.tree().nodes().path(wanted.reveal()).stream()
                    .map(Node::parentId)
                    .forEach(open::add);
        }
        open.remove(Node.PLANT);
        List<Block> blocks = new ArrayList<>();
        blocks.add(view.block(Node.PLANT));
        open.stream()
                .filter(id -> view.moment.tree().nodes().find(id).isPresent())
                .map(view::block)
                .forEach(blocks::add);
        return new Outline(
                blocks,
                view.search.map(Search::count).orElse(0),
                view.moment.of(Node.PLANT),
                view.moment.tree().nodes().size());
    }

    /** Every area, in the order of the plant: what is walked and looked after as one. */
    public List<Found> areas() {
        Standings.Moment moment = standings.now();
        return moment.tree().nodes().subtree(Node.PLANT).stream()
                .filter(node -> node.level() == Level.AREA)
                .flatMap(node -> moment.tree().find(node.id()).stream())
                .map(node -> new Found(node.id(), node.level(), node.tag(), node.name(), place(moment, node)))
                .toList();
    }

    public Block block(UUID parent, @Nullable OutlineFilter filter) {
        return view(filter).block(parent);
    }

    /** What a filter finds, in the order of the plant. */
    public List<UUID> hits(OutlineFilter filter) {
        Standings.Moment moment = standings.now();
        return search(filter, moment).hits();
    }

    /**
     * The likeliest nodes of a name: those whose own tag or name begins with it first, and the outer ones before the
     * inner.
     */
    public List<Found> find(String text) {
        Standings.Moment moment = standings.now();
        String wanted = text.strip().toLowerCase(Locale.ROOT);
        if (wanted.isEmpty()) {
            return List.of();
        }
        return search(OutlineFilter.ofText(text), moment).hits().stream()
                .flatMap(id -> moment.tree().find(id).stream())
                .filter(node -> node.level() != Level.CHECK)
                .sorted(Comparator.comparingInt((PlantNode node) -> begins(node, wanted) ? 0 : 1)
                        .thenComparing(PlantNode::level))
                .limit(MOST_FOUND)
                .map(node -> new Found(node.id(), node.level(), node.tag(), node.name(), place(moment, node)))
                .toList();
    }

    /** The checks at or below a node that a filter finds, or that stand below what it finds; up to so many. */
    public Picked checks(@Nullable UUID node, @Nullable OutlineFilter filter, int most) {
        Standings.Moment moment = standings.now();
        OutlineFilter wanted = filter == null ? OutlineFilter.EVERYTHING : filter;
        Optional<Search> search =
                wanted.isEmpty() ? Optional.empty() : Optional.of(search(new Asked(wanted, true), moment));
        List<UUID> found = new ArrayList<>();
        moment.tree().nodes().walk(node == null ? Node.PLANT : node, below -> {
            if (below.level() == Level.CHECK
                    && (search.isEmpty() || search.get().isHit(below.id()))) {
                found.add(below.id());
            }
        });
        List<PickedCheck> checks =
                found.stream().limit(most).map(id -> picked(moment, id)).toList();
        return new Picked(checks, found.size());
    }

    private static PickedCheck picked(Standings.Moment moment, UUID id) {
        CheckView check = moment.tree().check(id).orElseThrow();
        List<UUID> path = moment.tree().nodes().path(id).stream().map(Node::id).toList();
        return new PickedCheck(
                id,
                path.subList(0, path.size() - 1),
                check.technique().id(),
                check.asset().tag(),
                check.asset().name(),
                check.point().name(),
                check.node().name());
    }

    private static boolean begins(PlantNode node, String wanted) {
        return node.tag().toLowerCase(Locale.ROOT).startsWith(wanted)
                || node.name().toLowerCase(Locale.ROOT).startsWith(wanted);
    }

    private static String place(Standings.Moment moment, PlantNode node) {
        List<Node> path = moment.tree().nodes().path(node.id());
        return String.join(
                ", ", path.subList(0, path.size() - 1).stream().map(Node::label).toList());
    }

    private View view(@Nullable OutlineFilter filter) {
        Standings.Moment moment = standings.now();
        return filter == null || filter.isEmpty()
                ? new View(moment, Optional.empty(), false)
                : new View(moment, Optional.of(search(filter, moment)), !filter.asksForChecks());
    }

    private Search search(OutlineFilter filter, Standings.Moment moment) {
        return search(new Asked(filter, filter.asksForChecks()), moment);
    }

    private Search search(Asked asked, Standings.Moment moment) {
        if (asked.filter().asksForDue()) {
            // What is due changes with the day and with every walk, not with the plant.
            return Search.of(
                    asked.filter(), asked.onlyChecks(), moment, indexes.of(moment.tree()), schedule.dueChecks());
        }
        Optional<Search> kept = searches.find(asked, moment);
        if (kept.isPresent()) {
            return kept.get();
        }
        // Two who look for the same at once both search: nobody waits for the other.
        Search search = Search.of(asked.filter(), asked.onlyChecks(), moment, indexes.of(moment.tree()), Set.of());
        searches.keep(asked, moment, search);
        return search;
    }

    /**
     * The plant under a filter.
     *
     * @param wholeBelowHits whether all that stands below a hit is shown too
     */
    private record View(Standings.Moment moment, Optional<Search> search, boolean wholeBelowHits) {

        private List<UUID> children(UUID parent) {
            List<UUID> all = moment.tree().nodes().children(parent);
            if (search.isEmpty() || (wholeBelowHits && isBelowAHit(parent))) {
                return all;
            }
            return all.stream().filter(search.get()::isShown).toList();
        }

        private boolean isBelowAHit(UUID id) {
            // Where something below is a hit too, only that is shown: the rest is not what was asked for.
            return !id.equals(Node.PLANT)
                    && moment.tree().nodes().children(id).stream().noneMatch(search.orElseThrow()::isShown);
        }

        Block block(UUID parent) {
            List<Row> rows = children(parent).stream()
                    .map(id -> new Row(
                            moment.tree().find(id).orElseThrow(),
                            children(id).size(),
                            search.isPresent() && isHit(id),
                            moment.of(id)))
                    .toList();
            return new Block(parent.equals(Node.PLANT) ? null : parent, rows);
        }

        private boolean isHit(UUID id) {
            return search.orElseThrow().isHit(id);
        }

        /** Level by level, as long as it stays a glance. */
        Set<UUID> openedByItself() {
            Set<UUID> open = new LinkedHashSet<>();
            Deque<UUID> next = new ArrayDeque<>(children(Node.PLANT));
            int rows = next.size();
            while (!next.isEmpty()) {
                UUID id = next.poll();
                List<UUID> below = search.isPresent() && !search.get().isShown(id) ? List.of() : children(id);
                boolean isHitItself = search.isPresent() && below.stream().noneMatch(search.get()::isShown);
                if (!below.isEmpty() && !isHitItself && rows + below.size() <= ROWS_OPENED) {
                    open.add(id);
                    rows += below.size();
                    next.addAll(below);
                }
            }
            return open;
        }
    }
}
