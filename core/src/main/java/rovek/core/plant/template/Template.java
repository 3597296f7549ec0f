package rovek.core.plant.template;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.Places;
import rovek.core.plant.Stamp;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * An asset with its parts, points and checks, kept to stamp out more.
 *
 * @param revision from 1, rising
 * @param parts the outermost first, every part before those in it, siblings in order
 */
public record Template(UUID id, String name, int revision, List<TemplatePart> parts) {

    public Template {
        parts = List.copyOf(parts);
        if (parts.isEmpty() || !parts.get(0).key().equals(Stamp.ROOT)) {
            throw new IllegalArgumentException("A template begins with its outermost part.");
        }
    }

    /** Level of what it stamps. */
    public Level level() {
        return Level.valueOf(parts.get(0).facet(Facet.LEVEL));
    }

    public Optional<TemplatePart> part(String key) {
        return parts.stream().filter(part -> part.key().equals(key)).findFirst();
    }

    /** How many checks one stamped asset has. */
    public int checks() {
        return (int) parts.stream()
                .filter(part -> part.facet(Facet.LEVEL).equals(Level.CHECK.name()))
                .count();
    }

    /**
     * Keeps an asset with all below it as a template. Rows that were stamped from the same template keep their part's
     * key, so that an asset, changed by hand, becomes the template's next revision.
     */
    public static Template of(UUID id, String name, int revision, NodeTree tree, UUID asset) {
        List<Node> nodes = tree.subtree(asset);
        if (nodes.isEmpty()) {
            throw new Refused(Sentence.of("plant.nothingToSave"));
        }
        Map<UUID, String> keys = new HashMap<>();
        Set<String> taken = new HashSet<>(Set.of(Stamp.ROOT));
        keys.put(asset, Stamp.ROOT);
        for (Node node : nodes) {
            node.stamp()
                    .filter(stamp -> stamp.template().equals(id) && !stamp.isRoot() && !taken.contains(stamp.key()))
                    .ifPresent(stamp -> {
                        keys.put(node.id(), stamp.key());
                        taken.add(stamp.key());
                    });
        }
        int next = 1;
        for (Node node : nodes) {
            if (!keys.containsKey(node.id())) {
                // A key that was ever given out is never given to another part.
                while (taken.contains(revision + "." + next)) {
                    next++;
                }
                taken.add(revision + "." + next);
                keys.put(node.id(), revision + "." + next);
            }
        }
        List<TemplatePart> parts = new ArrayList<>();
        for (Node node : nodes) {
            Map<String, String> facets = new LinkedHashMap<>(node.facets());
            facets.keySet().removeAll(TemplatePart.OF_THE_PLACE);
            boolean isRoot = node.id().equals(asset);
            parts.add(new TemplatePart(
                    requireNonNull(keys.get(node.id())),
                    isRoot ? "" : requireNonNull(keys.get(node.parentId())),
                    facets));
        }
        return new Template(id, name, revision, parts);
    }

    /**
     * Makes one asset of it.
     *
     * @param tag blank to have none
     * @param assetName blank to be called as the template's own
     * @return every row before those in it
     */
    public List<Node> stamp(String tag, String assetName, UUID parent, long place, Supplier<UUID> ids) {
        Map<String, UUID> idOf = new HashMap<>();
        Map<String, Integer> siblings = new HashMap<>();
        List<Node> nodes = new ArrayList<>();
        for (TemplatePart part : parts) {
            boolean isRoot = part.key().equals(Stamp.ROOT);
            UUID id = ids.get();
            idOf.put(part.key(), id);
            Map<String, String> facets = new LinkedHashMap<>(part.facets());
            facets.put(Facet.PARENT, (isRoot ? parent : requireNonNull(idOf.get(part.parentKey()))).toString());
            facets.put(
                    Facet.PLACE,
                    String.valueOf(isRoot ? place : siblings.merge(part.parentKey(), 1, Integer::sum) * Places.STEP));
            facets.put(Facet.STAMP, new Stamp(this.id, revision, part.key()).toString());
            if (isRoot) {
                setOrRemove(facets, Facet.TAG, tag);
                setOrRemove(facets, Facet.NAME, assetName.isBlank() ? part.facet(Facet.NAME) : assetName);
            } else if (facets.containsKey(Facet.TAG)) {
                setOrRemove(facets, Facet.TAG, tagBelow(part.facet(Facet.TAG), tag));
            }
            nodes.add(Node.of(id, facets));
        }
        return nodes;
    }

    /** A part's tag follows that of the asset it belongs to: P-101M of P-101 becomes P-204M of P-204. */
    private String tagBelow(String partTag, String assetTag) {
        String own = parts.get(0).facet(Facet.TAG);
        return !own.isBlank() && partTag.startsWith(own) ? assetTag + partTag.substring(own.length()) : partTag;
    }

    private static void setOrRemove(Map<String, String> facets, String key, String value) {
        if (value.isBlank()) {
            facets.remove(key);
        } else {
            facets.put(key, value);
        }
    }
}
