package rovek.server.follow.standing;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Async;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import rovek.core.limit.RollUp;
import rovek.core.limit.Verdict;
import rovek.core.plant.Layered;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.Sisters;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.verdict.ReadingVerdict;
import rovek.server.judging.verdict.Verdicts;
import rovek.server.plant.event.ChangedChecks;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;

/**
 * How the whole plant stands, kept in memory by each server and brought up to date by what changed: judging a hundred
 * thousand checks again for every look would take seconds.
 */
@Service
public class Standings {

    private static final int SPARK_READINGS = 13;
    private static final int CHECKS_A_QUERY = 2_000;

    private final ChangedChecks feed;
    private final Plant plant;
    private final Readings readings;
    private final Verdicts verdicts;
    private final Lock building = new ReentrantLock();
    private volatile Kept last;

    Standings(ChangedChecks feed, Plant plant, Readings readings, Verdicts verdicts) {
        this.feed = feed;
        this.plant = plant;
        this.readings = readings;
        this.verdicts = verdicts;
    }

    /**
     * @param askedAt system nano time at which the news it was made from were asked for; whoever came before that is
     *     served by it
     */
    private record Kept(Moment moment, long askedAt) {}

    /** The plant and how it stood at one moment. */
    public static final class Moment {

        private final ChangedChecks.News news;
        private final PlantTree tree;
        private final Layered<UUID, CheckStanding> checks;
        private final Layered<UUID, NodeStanding> nodes;

        Moment(
                ChangedChecks.News news,
                PlantTree tree,
                Layered<UUID, CheckStanding> checks,
                Layered<UUID, NodeStanding> nodes) {
            this.news = news.toldAgain();
            this.tree = tree;
            this.checks = checks;
            this.nodes = nodes;
        }

        public PlantTree tree() {
            return tree;
        }

        /** A node without checks stands as not judged with nothing below. */
        public Standing of(UUID node) {
            return nodes.get(node).orElse(NodeStanding.NOTHING).view(node);
        }

        /** An asset and how it stands. */
        public record AssetStanding(
                Node asset,
                Verdict worst,
                int watch,
                int fail,
                int worse,
                int withoutLimit,
                Optional<Instant> readAt) {}

        /** Every asset, in the order of the plant. */
        public List<AssetStanding> assets() {
            List<AssetStanding> assets = new ArrayList<>();
            tree.nodes().walk(Node.PLANT, Level.ASSET, node -> {
                if (node.level() == Level.ASSET) {
                    NodeStanding standing = nodes.get(node.id()).orElse(NodeStanding.NOTHING);
                    RollUp verdicts = standing.verdicts();
                    assets.add(new AssetStanding(
                            node,
                            verdicts.worst(),
                            verdicts.watch(),
                            verdicts.fail(),
                            standing.worse(),
                            standing.withoutLimit(),
                            standing.readAt()));
                }
            });
            return assets;
        }

        /** The verdict on a check's newest reading. */
        public Verdict verdictOf(UUID check) {
            return check(check).verdict();
        }

        public boolean isMeasured(UUID check) {
            return check(check).readAt().isPresent();
        }

        CheckStanding check(UUID check) {
            return checks.get(check).orElse(CheckStanding.NEVER_MEASURED);
        }

        /** The checks at or below a node, the worst first, up to so many. */
        public List<UUID> worst(UUID node, int most) {
            List<UUID> found = new ArrayList<>();
            tree.nodes().walk(node, below -> {
                if (below.level() == Level.CHECK) {
                    found.add(below.id());
                }
            });
            if (found.size() <= most) {
                return found;
            }
            return found.stream()
                    .sorted(Comparator.comparingDouble((UUID id) -> -check(id).badness()))
                    .limit(most)
                    .toList();
        }
    }

    /** So that the first one who looks does not wait for all checks to be judged. */
    @Async
    @EventListener(ApplicationReadyEvent.class)
    public void judgeAllOnce() {
        now();
    }

    /**
     * How everything stands, with all that was committed before it was asked. Not to be asked within a transaction:
     * whoever waits for the one who judges holds no connection that this one needs.
     */
    public Moment now() {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("How the plant stands is asked before a transaction begins, not within.");
        }
        long came = System.nanoTime();
        Kept seen = last;
        if (seen != null && news(seen.moment()).isEmpty()) {
            return seen.moment();
        }
        building.lock();
        try {
            Kept before = last;
            if (before != null && before.askedAt() - came >= 0) {
                return before.moment();
            }
            long asks = System.nanoTime();
            News news = news(before == null ? null : before.moment());
            Moment moment =
                    before == null ? first(news) : news.isEmpty() ? before.moment() : next(before.moment(), news);
            last = new Kept(moment, asks);
            return moment;
        } finally {
            building.unlock();
        }
    }

    /**
     * What happened since a moment.
     *
     * @param measured checks with other readings than at that moment
     * @param isEmpty whether nothing did
     */
    private record News(ChangedChecks.News feed, Set<UUID> measured, PlantTree tree, boolean isEmpty) {}

    private News news(@Nullable Moment since) {
        ChangedChecks.News told = feed.since(since == null ? 0 : since.news.horizon());
        PlantTree tree = plant.tree();
        Set<UUID> measured = told.unlike(since == null ? ChangedChecks.News.NONE : since.news);
        return new News(told, measured, tree, since != null && measured.isEmpty() && tree == since.tree);
    }

    private Moment first(News news) {
        Map<UUID, Optional<CheckStanding>> judged = judge(
                news.tree(),
                news.measured().stream()
                        .filter(id -> isCheck(news.tree().nodes(), id))
                        .toList());
        Map<UUID, CheckStanding> checks = new HashMap<>();
        judged.forEach((id, standing) -> standing.ifPresent(those -> checks.put(id, those)));
        return new Moment(
                news.feed(),
                news.tree(),
                Layered.of(checks),
                Layered.of(rolledUp(news.tree().nodes(), checks)));
    }

    private Moment next(Moment last, News news) {
        NodeTree before = last.tree.nodes();
        NodeTree now = news.tree().nodes();
        // By the two plants themselves: what is told of a plant and the plant are never of quite the same moment.
        Set<UUID> altered = before.differing(now);
        Set<UUID> measured = news.measured();
        Set<UUID> toJudge = toJudge(before, now, altered, measured);
        toJudge.addAll(comparedWith(news.tree(), measured));
        toJudge.removeIf(id -> !isCheck(now, id));
        Map<UUID, Optional<CheckStanding>> judged = judge(news.tree(), toJudge);
        altered.stream().filter(id -> now.find(id).isEmpty()).forEach(gone -> judged.put(gone, Optional.empty()));
        Layered<UUID, CheckStanding> checks = last.checks.with(judged);
        return new Moment(news.feed(), news.tree(), checks, rolledUpAgain(last, now, altered, toJudge, checks));
    }

    /** Checks whose limits compare them with sisters that were measured now. */
    private static Set<UUID> comparedWith(PlantTree tree, Set<UUID> measured) {
        Set<UUID> compared = new HashSet<>();
        if (tree.comparesSisters()) {
            Sisters sisters = new Sisters(tree.nodes(), tree::name);
            for (UUID check : measured) {
                sisters.checks(check).forEach(sister -> compared.add(sister.id()));
            }
        }
        return compared;
    }

    private static boolean isCheck(NodeTree nodes, UUID id) {
        return nodes.find(id).filter(node -> node.level() == Level.CHECK).isPresent();
    }

    private static Set<UUID> toJudge(NodeTree before, NodeTree after, Set<UUID> altered, Set<UUID> measured) {
        Set<UUID> checks = new HashSet<>(measured);
        for (UUID id : altered) {
            Optional<Node> was = before.find(id);
            Optional<Node> is = after.find(id);
            boolean concernsThoseBelow = was.isPresent()
                    && is.isPresent()
                    && !(was.get().settings().equals(is.get().settings())
                            && was.get().limits().equals(is.get().limits())
                            && was.get().parentId().equals(is.get().parentId()));
            if (is.isPresent() && (was.isEmpty() || concernsThoseBelow)) {
                after.walk(id, node -> checks.add(node.id()));
            }
        }
        return checks;
    }

    /** How each stands; empty where it was never measured. */
    private Map<UUID, Optional<CheckStanding>> judge(PlantTree tree, Collection<UUID> ids) {
        Map<UUID, Optional<CheckStanding>> standings = new HashMap<>();
        List<UUID> all = List.copyOf(ids);
        for (int from = 0; from < all.size(); from += CHECKS_A_QUERY) {
            List<UUID> some = all.subList(from, Math.min(all.size(), from + CHECKS_A_QUERY));
            Map<UUID, List<ReadingView>> newest = readings.newest(some, SPARK_READINGS);
            Map<UUID, ReadingVerdict> judged = verdicts.of(
                    tree,
                    newest.values().stream()
                            .flatMap(history -> lastTwo(history).stream())
                            .toList());
            for (UUID id : some) {
                List<ReadingView> history = newest.getOrDefault(id, List.of());
                standings.put(
                        id,
                        history.isEmpty()
                                ? Optional.empty()
                                : Optional.of(CheckStanding.of(tree.check(id).orElseThrow(), history, judged)));
            }
        }
        return standings;
    }

    static List<ReadingView> lastTwo(List<ReadingView> history) {
        return history.subList(Math.max(0, history.size() - 2), history.size());
    }

    private static Map<UUID, NodeStanding> rolledUp(NodeTree tree, Map<UUID, CheckStanding> checks) {
        Map<UUID, NodeStanding> nodes = new HashMap<>();
        List<Node> all = tree.subtree(Node.PLANT);
        for (int i = all.size() - 1; i >= 0; i--) {
            Node node = all.get(i);
            NodeStanding own = node.level() == Level.CHECK
                    ? ofCheck(Optional.ofNullable(checks.get(node.id())))
                    : nodes.getOrDefault(node.id(), NodeStanding.NOTHING);
            nodes.put(node.id(), own);
            nodes.merge(node.parentId(), own, NodeStanding::plus);
        }
        return nodes;
    }

    private static NodeStanding ofCheck(Optional<CheckStanding> check) {
        return NodeStanding.of(check.orElse(CheckStanding.NEVER_MEASURED));
    }

    /** Only what changed and what stands above it. */
    private static Layered<UUID, NodeStanding> rolledUpAgain(
            Moment last, NodeTree after, Set<UUID> altered, Set<UUID> judged, Layered<UUID, CheckStanding> checks) {
        Map<UUID, Integer> depths = new HashMap<>();
        for (Collection<UUID> ids : List.of(altered, judged)) {
            for (UUID id : ids) {
                addWithAbove(last.tree.nodes(), id, depths);
                addWithAbove(after, id, depths);
            }
        }
        depths.put(Node.PLANT, 0);
        Map<UUID, Optional<NodeStanding>> nodes = new HashMap<>();
        depths.entrySet().stream()
                .sorted(Map.Entry.<UUID, Integer>comparingByValue().reversed())
                .map(Map.Entry::getKey)
                .forEach(id -> {
                    Optional<Node> node = after.find(id);
                    if (node.isEmpty() && !id.equals(Node.PLANT)) {
                        nodes.put(id, Optional.empty());
                    } else if (node.isPresent() && node.get().level() == Level.CHECK) {
                        nodes.put(id, Optional.of(ofCheck(checks.get(id))));
                    } else {
                        nodes.put(
                                id,
                                Optional.of(after.children(id).stream()
                                        .flatMap(child -> nodes.getOrDefault(child, last.nodes.get(child)).stream())
                                        .reduce(NodeStanding.NOTHING, NodeStanding::plus)));
                    }
                });
        return last.nodes.with(nodes);
    }

    private static void addWithAbove(NodeTree tree, UUID id, Map<UUID, Integer> depths) {
        List<Node> path = tree.path(id);
        for (int i = 0; i < path.size(); i++) {
            // Moved things have two depths: the deeper one is calculated first, and again what stands above.
            depths.merge(path.get(i).id(), i + 1, Math::max);
        }
    }
}
