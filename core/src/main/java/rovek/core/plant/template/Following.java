package rovek.core.plant.template;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.Places;
import rovek.core.plant.PlantChange;
import rovek.core.plant.Shift;
import rovek.core.plant.Stamp;

/**
 * How a stamped asset follows its template from one revision to another. What somebody changed on the asset itself
 * stays as it is: only what still is as the former revision had it becomes what the later one says.
 *
 * @param change what would change
 * @param kept how many things stay because somebody changed them on the asset
 */
public record Following(PlantChange change, int kept) {

    /**
     * @param asset a node that was stamped from the former revision
     * @param ids where ids of new rows come from
     */
    public static Following of(NodeTree tree, UUID asset, Template former, Template later, Supplier<UUID> ids) {
        return new Maker(tree, asset, former, later, ids).make();
    }

    private static final class Maker {

        private final NodeTree tree;
        private final UUID asset;
        private final Template former;
        private final Template later;
        private final Supplier<UUID> ids;
        private final Map<String, Node> byKey = new LinkedHashMap<>();
        private final List<Node> added = new ArrayList<>();
        private final List<Alteration> altered = new ArrayList<>();
        private int kept;

        Maker(NodeTree tree, UUID asset, Template former, Template later, Supplier<UUID> ids) {
            this.tree = tree;
            this.asset = asset;
            this.former = former;
            this.later = later;
            this.ids = ids;
            for (Node node : tree.subtree(asset)) {
                node.stamp()
                        .filter(stamp -> stamp.template().equals(later.id()))
                        .ifPresent(stamp -> byKey.putIfAbsent(stamp.key(), node));
            }
        }

        Following make() {
            Set<UUID> leaving = leaving();
            for (Node node : List.copyOf(byKey.values())) {
                later.part(node.stamp().orElseThrow().key())
                        .filter(part -> !leaving.contains(node.id()))
                        .ifPresent(part -> alter(node, part));
            }
            Map<String, UUID> idOf = new HashMap<>();
            byKey.forEach((key, node) -> idOf.put(key, node.id()));
            Map<UUID, Long> places = new HashMap<>();
            for (TemplatePart part : later.parts()) {
                if (!byKey.containsKey(part.key()) && former.part(part.key()).isEmpty()) {
                    add(part, idOf, places);
                }
            }
            List<Node> removed = tree.subtree(asset).stream()
                    .filter(node -> leaving.contains(node.id()))
                    .toList();
            return new Following(new PlantChange(added, removed, altered), kept);
        }

        /** Rows whose part is gone, unless something of the asset's own stands below them. */
        private Set<UUID> leaving() {
            Set<UUID> leaving = new HashSet<>();
            List<Node> nodes = tree.subtree(asset);
            for (int i = nodes.size() - 1; i >= 0; i--) {
                Node node = nodes.get(i);
                boolean partIsGone = node.stamp()
                        .filter(stamp -> stamp.template().equals(later.id())
                                && !stamp.isRoot()
                                && later.part(stamp.key()).isEmpty())
                        .isPresent();
                if (partIsGone && leaving.containsAll(tree.children(node.id()))) {
                    leaving.add(node.id());
                } else if (partIsGone) {
                    kept++;
                }
            }
            return leaving;
        }

        private void alter(Node node, TemplatePart part) {
            Map<String, String> now = node.facets();
            Map<String, String> was =
                    former.part(part.key()).map(TemplatePart::facets).orElse(Map.of());
            Set<String> keys = new HashSet<>(was.keySet());
            keys.addAll(part.facets().keySet());
            Map<String, Shift> shifts = new LinkedHashMap<>();
            for (String key : keys) {
                String before = was.getOrDefault(key, "");
                String after = part.facet(key);
                boolean isItsOwnName = key.equals(Facet.TAG)
                        || (key.equals(Facet.NAME) && part.key().equals(Stamp.ROOT));
                if (isItsOwnName || before.equals(after)) {
                    continue;
                }
                String present = now.getOrDefault(key, "");
                if (present.equals(before)) {
                    shifts.put(key, new Shift(before, after));
                } else if (!present.equals(after)) {
                    kept++;
                }
            }
            String stamp = node.stamp().orElseThrow().toString();
            String newStamp = new Stamp(later.id(), later.revision(), part.key()).toString();
            if (!stamp.equals(newStamp)) {
                shifts.put(Facet.STAMP, new Shift(stamp, newStamp));
            }
            altered.add(new Alteration(node.id(), shifts));
        }

        private void add(TemplatePart part, Map<String, UUID> idOf, Map<UUID, Long> places) {
            UUID parent = idOf.get(part.parentKey());
            if (parent == null) {
                // What it would stand in was removed from this asset by somebody.
                kept++;
                return;
            }
            UUID id = ids.get();
            idOf.put(part.key(), id);
            Map<String, String> facets = new LinkedHashMap<>(part.facets());
            facets.put(Facet.PARENT, parent.toString());
            facets.put(
                    Facet.PLACE,
                    String.valueOf(places.merge(
                            parent,
                            Places.last(tree, parent, 1).places().get(0),
                            (last, first) -> last + Places.STEP)));
            facets.put(Facet.STAMP, new Stamp(later.id(), later.revision(), part.key()).toString());
            if (!Level.valueOf(part.facet(Facet.LEVEL)).isTagged()) {
                facets.remove(Facet.TAG);
            }
            added.add(Node.of(id, facets));
        }
    }
}
