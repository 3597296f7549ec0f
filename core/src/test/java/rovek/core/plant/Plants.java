package rovek.core.plant;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;

/** Plants for tests, and changes as people make them, repeatable by their seed. */
public final class Plants {

    private final Random random;

    public Plants(long seed) {
        random = new Random(seed);
    }

    public UUID id() {
        return new UUID(random.nextLong(), random.nextLong());
    }

    static Node node(UUID parent, Level level, String tag, String name) {
        return Node.of(UUID.randomUUID(), parent, level, tag, name);
    }

    /** Adds a node behind all that stand there. */
    static NodeTree add(NodeTree tree, Node node) {
        return tree.apply(PlantChange.adding(List.of(node.at(
                node.parentId(), Places.last(tree, node.parentId(), 1).places().get(0)))));
    }

    /** A plant that grew by so many rows at random places. */
    public NodeTree grown(int rows) {
        NodeTree tree = add(NodeTree.EMPTY, Node.of(id(), Node.PLANT, Level.CLIENT, "", "Marrowdale Works"));
        for (int i = 0; i < rows; i++) {
            tree = tree.apply(adding(tree));
        }
        return tree;
    }

    Node any(NodeTree tree) {
        List<Node> all = tree.subtree(Node.PLANT);
        return all.get(random.nextInt(all.size()));
    }

    private PlantChange adding(NodeTree tree) {
        Node parent = any(tree);
        while (parent.level() == Level.CHECK) {
            parent = any(tree);
        }
        List<UUID> siblings = tree.children(parent.id());
        Optional<UUID> after =
                siblings.isEmpty() ? Optional.empty() : Optional.of(siblings.get(random.nextInt(siblings.size())));
        Places places = Places.after(tree, parent.id(), after, 1, java.util.Set.of());
        Level level = parent.level().usualChild();
        String tag = level.isTagged() ? "P-" + (100 + random.nextInt(50)) : "";
        Node node = new Node(
                id(),
                parent.id(),
                level,
                places.places().get(0),
                tag,
                level + " " + random.nextInt(9),
                level == Level.CHECK ? "vibration" : "",
                "",
                Map.of(),
                Map.of(),
                Map.of(),
                Optional.empty());
        return new PlantChange(List.of(node), List.of(), places.spread());
    }

    /** A plant that people worked on for a while. */
    public NodeTree worked(int rows, int changes, long seed) {
        NodeTree tree = grown(rows);
        Random choice = new Random(seed);
        for (int i = 0; i < changes; i++) {
            try {
                tree = tree.apply(any(tree, choice));
            } catch (PlantRefusedException cannotBe) {
                // people try things, too
            }
        }
        return tree;
    }

    private PlantChange setting(NodeTree tree) {
        Node node = any(tree);
        String key = List.of(
                        Facet.setting("vibration", "lines"),
                        Facet.setting("vibration", "rateHz"),
                        Facet.limit("vibration", "velocity.rms"))
                .get(random.nextInt(3));
        String now = node.facets().getOrDefault(key, "");
        String wanted = random.nextInt(3) == 0 ? "" : String.valueOf(random.nextInt(5));
        return PlantChange.altering(List.of(new Alteration(node.id(), Map.of(key, new Shift(now, wanted)))));
    }

    /** One change as a person makes it; it may be one that cannot be. */
    public PlantChange any(NodeTree tree, Random choice) {
        Node node = any(tree);
        Node target = any(tree);
        List<UUID> several = new ArrayList<>(List.of(node.id(), any(tree).id()));
        List<UUID> there = tree.children(target.id());
        Optional<UUID> after =
                there.isEmpty() ? Optional.empty() : Optional.of(there.get(choice.nextInt(there.size())));
        return switch (choice.nextInt(6)) {
            case 0 -> adding(tree);
            case 1 -> Moving.move(tree, several, target.id(), after);
            case 2 -> node.level() == Level.CLIENT ? PlantChange.NOTHING : Moving.remove(tree, several.subList(0, 1));
            case 3 -> new Copying(tree, this::id).copy(several, target.id(), after);
            case 4 ->
                PlantChange.altering(
                        List.of(Alteration.between(node, node.called(node.tag(), "renamed " + choice.nextInt(9)))));
            default -> setting(tree);
        };
    }
}
