package rovek.core.limit;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;

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

    /** What counts at a time: the nearest node that says anything of it; empty where none does, or it says that there is no limit. */
    public Optional<InForce> at(Instant time) {
        return firstOf(layer -> layer.timeline().at(time));
    }

    /** What counted at a time, by what was said until another time: under which a reading that was stored then was first judged. */
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

    /** When what counts may change, rising. */
    public List<Instant> changes() {
        TreeSet<Instant> times = new TreeSet<>();
        layers.forEach(layer -> layer.timeline().revisions().forEach(revision -> {
            revision.from().ifPresent(times::add);
            revision.until().ifPresent(times::add);
        }));
        return List.copyOf(times);
    }

    /** Whether any limit that ever counted takes more than the value itself. */
    public boolean needHistory() {
        return anyLimit(Limit::needsHistory);
    }

    public boolean needSisters() {
        return anyLimit(Limit::needsSisters);
    }

    private boolean anyLimit(java.util.function.Predicate<Limit> is) {
        return layers.stream().flatMap(layer -> layer.timeline().revisions().stream()).flatMap(revision -> revision.limit().stream()).anyMatch(is);
    }
}
