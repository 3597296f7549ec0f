package rovek.core.plant;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** What holds whatever people do to a plant, in whatever order. */
class PlantChangeTest {

    private static final int CHANGES = 40;

    /** Makes changes one after the other; those that cannot be are refused and leave nothing behind. */
    private static List<PlantChange> editAtRandom(Plants plants, NodeTree from, long seed, List<NodeTree> states) {
        Random choice = new Random(seed);
        List<PlantChange> made = new ArrayList<>();
        states.add(from);
        for (int i = 0; i < CHANGES; i++) {
            NodeTree now = states.get(states.size() - 1);
            PlantChange change = plants.any(now, choice);
            try {
                states.add(now.apply(change));
                made.add(change);
            } catch (PlantRefusedException cannotBe) {
                assertThat(now.subtree(Node.PLANT))
                        .isEqualTo(states.get(states.size() - 1).subtree(Node.PLANT));
            }
        }
        return made;
    }

    @Property(tries = 150)
    void undoingEverythingAndDoingItAgainIsAsIfNothingHappened(@ForAll long seed) {
        Plants plants = new Plants(seed);
        List<NodeTree> states = new ArrayList<>();
        List<PlantChange> made = editAtRandom(plants, plants.grown(30), seed, states);
        NodeTree tree = states.get(states.size() - 1);
        for (int i = made.size() - 1; i >= 0; i--) {
            tree = tree.apply(made.get(i).inverse());
            assertThat(tree.subtree(Node.PLANT))
                    .as("after undoing change %d", i)
                    .isEqualTo(states.get(i).subtree(Node.PLANT));
        }
        for (int i = 0; i < made.size(); i++) {
            tree = tree.apply(made.get(i).inverse().inverse());
            assertThat(tree.subtree(Node.PLANT))
                    .as("after doing change %d again", i)
                    .isEqualTo(states.get(i + 1).subtree(Node.PLANT));
        }
    }

    @Property(tries = 100)
    void aTreeThatWasChangedIsTheTreeMadeAnewFromItsRows(@ForAll long seed) {
        Plants plants = new Plants(seed);
        List<NodeTree> states = new ArrayList<>();
        editAtRandom(plants, plants.grown(40), seed, states);
        NodeTree tree = states.get(states.size() - 1);
        List<Node> rows = tree.subtree(Node.PLANT);
        assertThat(NodeTree.of(rows).subtree(Node.PLANT)).isEqualTo(rows);
        assertThat(tree.size()).as("nothing is left behind out of reach").isEqualTo(rows.size());
        for (Node row : rows) {
            assertThat(tree.find(row.parentId())
                            .map(Node::level)
                            .map(level -> level.mayHold(row.level()))
                            .orElse(row.level() == Level.CLIENT))
                    .isTrue();
        }
    }

    @Property(tries = 100)
    void aSettingIsThatOfTheNearestNodeThatSetsItWhateverTheOrderOfEdits(@ForAll long seed) {
        Plants plants = new Plants(seed);
        List<NodeTree> states = new ArrayList<>();
        editAtRandom(plants, plants.grown(30), seed, states);
        NodeTree tree = states.get(states.size() - 1);
        for (Node node : tree.subtree(Node.PLANT)) {
            List<SettingLayer> layers = tree.path(node.id()).stream()
                    .map(above -> new SettingLayer(above.id(), above.label(), above.settingsOf("vibration")))
                    .toList();
            var effective =
                    Inheritance.resolve(Map.of("lines", "usual"), layers).get("lines");
            assertThat(effective.value()).isEqualTo(nearest(tree, node.id(), "lines"));
        }
    }

    /** The same, said in another way: climb until somebody speaks. */
    private static String nearest(NodeTree tree, UUID from, String key) {
        Optional<Node> node = tree.find(from);
        while (node.isPresent()) {
            String own = node.get().facets().get(Facet.setting("vibration", key));
            if (own != null) {
                return own;
            }
            node = tree.find(node.get().parentId());
        }
        return "usual";
    }

    @Property(tries = 100)
    void aNodeIsWholeInItsFacets(@ForAll long seed) {
        Plants plants = new Plants(seed);
        List<NodeTree> states = new ArrayList<>();
        editAtRandom(plants, plants.grown(20), seed, states);
        for (Node node : states.get(states.size() - 1).subtree(Node.PLANT)) {
            assertThat(Node.of(node.id(), node.facets())).isEqualTo(node);
        }
    }

    @Property(tries = 60)
    void rowsPutInAtOneSpotKeepTheirOrderHoweverManyTheyAre(@ForAll long seed) {
        Plants plants = new Plants(seed);
        NodeTree tree = plants.grown(0);
        UUID client = tree.children(Node.PLANT).get(0);
        Random choice = new Random(seed);
        List<UUID> expected = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            int at = choice.nextInt(3) == 0 || expected.isEmpty() ? choice.nextInt(expected.size() + 1) : 1;
            Optional<UUID> after = at == 0 ? Optional.empty() : Optional.of(expected.get(at - 1));
            Places places = Places.after(tree, client, after, 1, java.util.Set.of());
            Node site = Node.of(plants.id(), client, Level.SITE, "", "Site " + i)
                    .at(client, places.places().get(0));
            tree = tree.apply(new PlantChange(List.of(site), List.of(), places.spread()));
            expected.add(at, site.id());
            assertThat(tree.children(client)).isEqualTo(expected);
        }
    }

    @Property(tries = 60)
    void aLayeredMapIsAMap(@ForAll long seed) {
        Random choice = new Random(seed);
        Map<Integer, Integer> plain = new HashMap<>();
        Layered<Integer, Integer> layered = Layered.of(Map.of());
        for (int round = 0; round < 30; round++) {
            Map<Integer, Optional<Integer>> changes = new HashMap<>();
            for (int i = 0; i < 100; i++) {
                int key = choice.nextInt(4_000);
                changes.put(key, choice.nextInt(4) == 0 ? Optional.empty() : Optional.of(choice.nextInt()));
            }
            changes.forEach((key, value) -> value.ifPresentOrElse(v -> plain.put(key, v), () -> plain.remove(key)));
            layered = layered.with(changes);
        }
        assertThat(layered.size()).isEqualTo(plain.size());
        for (int key = 0; key < 4_000; key++) {
            assertThat(layered.get(key)).isEqualTo(Optional.ofNullable(plain.get(key)));
        }
    }

    @Example
    void theLaterOfTwoWhoChangeTheSameThingSeesBoth() {
        NodeTree tree = Plants.add(NodeTree.EMPTY, Plants.node(Node.PLANT, Level.CLIENT, "", "Marrowdale"));
        Node seen = tree.find(tree.children(Node.PLANT).get(0)).orElseThrow();
        PlantChange mine = PlantChange.altering(List.of(Alteration.between(seen, seen.called("", "Marrowdale Works"))));
        PlantChange yours =
                PlantChange.altering(List.of(Alteration.between(seen, seen.called("", "Marrowdale Bottling"))));
        NodeTree after = tree.apply(mine);
        assertThatThrownBy(() -> after.apply(yours)).isInstanceOfSatisfying(PlantConflictException.class, conflict -> {
            var clash = conflict.clashes().get(0);
            assertThat(List.of(clash.facet(), clash.seen(), clash.theirs(), clash.yours()))
                    .containsExactly("name", "Marrowdale", "Marrowdale Works", "Marrowdale Bottling");
        });
        assertThat(after.apply(mine).find(seen.id()).orElseThrow().name())
                .as("the same wish twice is no conflict")
                .isEqualTo("Marrowdale Works");
        PlantChange other = PlantChange.altering(
                List.of(new Alteration(seen.id(), Map.of(Facet.setting("vibration", "lines"), new Shift("", "800")))));
        assertThat(after.apply(other).find(seen.id()).orElseThrow().name())
                .as("another thing of the same node")
                .isEqualTo("Marrowdale Works");
    }

    @Example
    void anAdditionIsNotTakenBackOverWhatOthersPutBelowIt() {
        NodeTree tree = Plants.add(NodeTree.EMPTY, Plants.node(Node.PLANT, Level.CLIENT, "", "Marrowdale Works"));
        Node site = Plants.node(tree.children(Node.PLANT).get(0), Level.SITE, "", "Bottling works");
        PlantChange addition = PlantChange.adding(List.of(site));
        NodeTree later = Plants.add(tree.apply(addition), Plants.node(site.id(), Level.AREA, "", "Wellfield"));
        assertThatThrownBy(() -> later.apply(addition.inverse()))
                .isInstanceOf(PlantRefusedException.class)
                .hasMessage("plant.holdsNow {held=Wellfield, node=Bottling works}");
    }

    @Example
    void nothingMovesIntoItself() {
        NodeTree tree = Plants.add(NodeTree.EMPTY, Plants.node(Node.PLANT, Level.CLIENT, "", "Marrowdale Works"));
        Node site = Plants.node(tree.children(Node.PLANT).get(0), Level.SITE, "", "Works");
        tree = Plants.add(tree, site);
        Node outer = Plants.node(site.id(), Level.ASSET, "P-1", "Pump set");
        tree = Plants.add(tree, outer);
        Node inner = Plants.node(outer.id(), Level.ASSET, "P-2", "Pump");
        NodeTree full = Plants.add(tree, inner);
        assertThatThrownBy(() -> full.apply(Moving.move(full, List.of(outer.id()), inner.id(), Optional.empty())))
                .isInstanceOf(PlantRefusedException.class)
                .hasMessageContaining("plant.intoItself {node=P-1 Pump set}");
    }
}
