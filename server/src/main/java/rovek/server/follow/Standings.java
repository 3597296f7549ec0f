package rovek.server.follow;

import jakarta.annotation.Nullable;
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
import rovek.core.limit.Verdict;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.Sisters;
import rovek.server.judge.ReadingVerdict;
import rovek.server.judge.Verdicts;
import rovek.server.plant.CheckView;
import rovek.server.plant.Plant;
import rovek.server.plant.PlantTree;
import rovek.server.reading.ReadingView;
import rovek.server.reading.Readings;

/**
 * How the whole plant stands, kept in memory by each server and brought up to date by what changed: judging a hundred thousand
 * checks anew for every look would take seconds.
 */
@Service
public class Standings {

    private static final int SPARK_READINGS = 13;
    private static final int CHECKS_A_QUERY = 2_000;

    private final StandingFeed feed;
    private final Plant plant;
    private final Readings readings;
    private final Verdicts verdicts;
    private final Lock building = new ReentrantLock();
    private volatile Moment last;

    Standings(StandingFeed feed, Plant plant, Readings readings, Verdicts verdicts) {
        this.feed = feed;
        this.plant = plant;
        this.readings = readings;
        this.verdicts = verdicts;
    }

    /** The plant and how it stood at one moment. */
    public static final class Moment {

        private final String horizon;
        private final PlantTree tree;
        private final Map<UUID, CheckStanding> checks;
        private final Map<UUID, NodeStanding> nodes;

        Moment(String horizon, PlantTree tree, Map<UUID, CheckStanding> checks, Map<UUID, NodeStanding> nodes) {
            this.horizon = horizon;
            this.tree = tree;
            this.checks = checks;
            this.nodes = nodes;
        }

        public PlantTree tree() {
            return tree;
        }

        /** A node without checks stands as not judged with nothing beneath. */
        public Standing of(UUID node) {
            return nodes.getOrDefault(node, NodeStanding.NOTHING).view(node);
        }

        /** The verdict on a check's newest reading. */
        public Verdict verdictOf(UUID check) {
            return check(check).verdict();
        }

        public boolean isMeasured(UUID check) {
            return check(check).readAt().isPresent();
        }

        CheckStanding check(UUID check) {
            return checks.getOrDefault(check, CheckStanding.NEVER_MEASURED);
        }

        /** The checks at or beneath a node, the worst first, up to so many. */
        public List<UUID> worst(UUID node, int most) {
            List<UUID> found = new ArrayList<>();
            tree.nodes().walk(node, beneath -> {
                if (beneath.level() == Level.CHECK) {
                    found.add(beneath.id());
                }
            });
            if (found.size() <= most) {
                return found;
            }
            return found.stream().sorted(Comparator.comparingDouble((UUID id) -> -check(id).badness())).limit(most).toList();
        }
    }

    /** So that the first one who looks does not wait for all checks to be judged. */
    @Async
    @EventListener(ApplicationReadyEvent.class)
    public void judgeAllOnce() {
        now();
    }

    /**
     * How everything stands, with all that was committed before it was asked. Not to be asked within a transaction: whoever waits for the one
     * who judges holds no connection that this one needs.
     */
    public Moment now() {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("How the plant stands is asked before a transaction begins, not within.");
        }
        Moment seen = last;
        if (seen != null && news(seen).isEmpty()) {
            return seen;
        }
        building.lock();
        try {
            Moment before = last;
            News news = news(before);
            if (!news.isEmpty()) {
                last = before == null ? first(news) : next(before, news);
            }
            return last;
        } finally {
            building.unlock();
        }
    }

    /**
     * What happened since a moment.
     *
     * @param isEmpty whether nothing did
     */
    private record News(StandingFeed.News feed, PlantTree tree, boolean isEmpty) {}

    private News news(@Nullable Moment since) {
        StandingFeed.News told = feed.since(since == null ? "0" : since.horizon);
        PlantTree tree = plant.tree();
        return new News(told, tree, since != null && told.measured().isEmpty() && tree == since.tree);
    }

    private Moment first(News news) {
        Map<UUID, CheckStanding> checks = new HashMap<>();
        judge(news.tree(), news.feed().measured().stream().filter(id -> isCheck(news.tree().nodes(), id)).toList(), checks);
        return new Moment(news.feed().horizon(), news.tree(), checks, rolledUp(news.tree().nodes(), checks));
    }

    private Moment next(Moment last, News news) {
        NodeTree before = last.tree.nodes();
        NodeTree now = news.tree().nodes();
        Map<UUID, CheckStanding> checks = new HashMap<>(last.checks);
        // By the two plants themselves: what is told of a plant and the plant are never of quite the same moment.
        Set<UUID> altered = before.differing(now);
        Set<UUID> measured = news.feed().measured();
        Set<UUID> toJudge = toJudge(before, now, altered, measured);
        toJudge.addAll(comparedWith(news.tree(), measured));
        toJudge.removeIf(id -> !isCheck(now, id));
        altered.stream().filter(id -> now.find(id).isEmpty()).forEach(checks::remove);
        judge(news.tree(), toJudge, checks);
        return new Moment(news.feed().horizon(), news.tree(), checks, rolledUpAgain(last, now, altered, toJudge, checks));
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
            boolean concernsThoseBeneath = was.isPresent()
                    && is.isPresent()
                    && !(was.get().settings().equals(is.get().settings())
                            && was.get().limits().equals(is.get().limits())
                            && was.get().parentId().equals(is.get().parentId()));
            if (is.isPresent() && (was.isEmpty() || concernsThoseBeneath)) {
                after.walk(id, node -> checks.add(node.id()));
            }
        }
        return checks;
    }

    private void judge(PlantTree tree, Collection<UUID> ids, Map<UUID, CheckStanding> into) {
        List<UUID> all = List.copyOf(ids);
        for (int from = 0; from < all.size(); from += CHECKS_A_QUERY) {
            List<UUID> some = all.subList(from, Math.min(all.size(), from + CHECKS_A_QUERY));
            Map<UUID, List<ReadingView>> newest = readings.newest(some, SPARK_READINGS);
            Map<UUID, ReadingVerdict> judged = verdicts.of(tree, newest.values().stream().flatMap(history -> lastTwo(history).stream()).toList());
            for (UUID id : some) {
                List<ReadingView> history = newest.getOrDefault(id, List.of());
                if (history.isEmpty()) {
                    into.remove(id);
                } else {
                    CheckView check = tree.check(id).orElseThrow();
                    into.put(id, CheckStanding.of(check, history, judged));
                }
            }
        }
    }

    static List<ReadingView> lastTwo(List<ReadingView> history) {
        return history.subList(Math.max(0, history.size() - 2), history.size());
    }

    private static Map<UUID, NodeStanding> rolledUp(NodeTree tree, Map<UUID, CheckStanding> checks) {
        Map<UUID, NodeStanding> nodes = new HashMap<>();
        List<Node> all = tree.beneath(Node.PLANT);
        for (int i = all.size() - 1; i >= 0; i--) {
            Node node = all.get(i);
            NodeStanding own = node.level() == Level.CHECK ? ofCheck(node.id(), checks) : nodes.getOrDefault(node.id(), NodeStanding.NOTHING);
            nodes.put(node.id(), own);
            nodes.merge(node.parentId(), own, NodeStanding::plus);
        }
        return nodes;
    }

    private static NodeStanding ofCheck(UUID id, Map<UUID, CheckStanding> checks) {
        return NodeStanding.of(checks.getOrDefault(id, CheckStanding.NEVER_MEASURED));
    }

    /** Only what changed and what stands above it. */
    private static Map<UUID, NodeStanding> rolledUpAgain(
            Moment last, NodeTree after, Set<UUID> altered, Set<UUID> judged, Map<UUID, CheckStanding> checks) {
        Map<UUID, Integer> depths = new HashMap<>();
        for (Collection<UUID> ids : List.of(altered, judged)) {
            for (UUID id : ids) {
                addWithAbove(last.tree.nodes(), id, depths);
                addWithAbove(after, id, depths);
            }
        }
        depths.put(Node.PLANT, 0);
        Map<UUID, NodeStanding> nodes = new HashMap<>(last.nodes);
        depths.entrySet().stream().sorted(Map.Entry.<UUID, Integer>comparingByValue().reversed()).map(Map.Entry::getKey).forEach(id -> {
            Optional<Node> node = after.find(id);
            if (node.isEmpty() && !id.equals(Node.PLANT)) {
                nodes.remove(id);
            } else if (node.isPresent() && node.get().level() == Level.CHECK) {
                nodes.put(id, ofCheck(id, checks));
            } else {
                nodes.put(id, after.children(id).stream()
                        .map(child -> nodes.getOrDefault(child, NodeStanding.NOTHING))
                        .reduce(NodeStanding.NOTHING, NodeStanding::plus));
            }
        });
        return nodes;
    }

    private static void addWithAbove(NodeTree tree, UUID id, Map<UUID, Integer> depths) {
        List<Node> path = tree.path(id);
        for (int i = 0; i < path.size(); i++) {
            // Moved things have two depths: the deeper one is reckoned first, and again what stands above.
            depths.merge(path.get(i).id(), i + 1, Math::max);
        }
    }
}
