package rovek.core.limit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.UnaryOperator;

/**
 * What is said of one result of a check by the check itself and by the nodes above it.
 *
 * @param layers the nearest first
 */
public record LimitLayers(List<Layer> layers) {

    public static final LimitLayers NONE = new LimitLayers(List.of());

    /** What one node says. */
    public record Layer(UUID node, LimitTimeline timeline) {}

    /**
     * The limit that counts.
     *
     * @param node that says so
     */
    public record InForce(UUID node, LimitRevision revision, Limit limit) {}

    public LimitLayers {
        layers = List.copyOf(layers);
    }

    /**
     * What counts at a time: the nearest node that says anything of it; empty where none does, or it says that there is
     * no limit.
     */
    public Optional<InForce> at(Instant time) {
        return firstOf(layer -> layer.timeline().at(time));
    }

    /**
     * What counted at a time, by what was said until another time: under which a reading that was stored then was first
     * judged.
     */
    public Optional<InForce> at(Instant time, Instant known) {
        return firstOf(layer -> layer.timeline().at(time, known));
    }

    @FunctionalInterface
    private interface Saying {
        Optional<LimitRevision> of(Layer layer);
    }

    private Optional<InForce> firstOf(Saying saying) {
        for (Layer layer : layers) {
            Optional<LimitRevision> said = saying.of(layer).filter(revision -> !revision.isInherited());
            if (said.isPresent()) {
                return said.get().limit().map(limit -> new InForce(layer.node(), said.get(), limit));
            }
        }
        return Optional.empty();
    }

    /**
     * The same, with more said by one node.
     *
     * @param upwards the nodes from the check up to the root, which say where the node's layer belongs
     * @param more given what the node says already
     */
    public LimitLayers saying(UUID node, List<UUID> upwards, UnaryOperator<LimitTimeline> more) {
        List<Layer> all = new ArrayList<>(layers);
        int place = 0;
        while (place < all.size() && upwards.indexOf(all.get(place).node()) < upwards.indexOf(node)) {
            place++;
        }
        boolean isThere = place < all.size() && all.get(place).node().equals(node);
        LimitTimeline before = isThere ? all.remove(place).timeline() : LimitTimeline.EMPTY;
        all.add(place, new Layer(node, more.apply(before)));
        return new LimitLayers(all);
    }

    /** When what counts may change, rising. */
    public List<Instant> changes() {
        TreeSet<Instant> times = new TreeSet<>();
        layers.forEach(layer -> layer.timeline().revisions().forEach(revision -> {
            revision.from().ifPresent(times::add);
            revision.until().ifPresent(times::add);
        }));
        return List.copyOf(times);
    }

    /** Whether there is a limit at any time. */
    public boolean haveLimit() {
        return anyLimit(limit -> true);
    }

    /** Whether any limit that ever counted takes more than the value itself. */
    public boolean needHistory() {
        return anyLimit(Limit::needsHistory);
    }

    public boolean needSisters() {
        return anyLimit(Limit::needsSisters);
    }

    private boolean anyLimit(java.util.function.Predicate<Limit> is) {
        return layers.stream()
                .flatMap(layer -> layer.timeline().revisions().stream())
                .flatMap(revision -> revision.limit().stream())
                .anyMatch(is);
    }
}
