package rovek.core.plant.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Moving;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.PlantChange;
import rovek.core.plant.Shift;

class TemplateTest {

    private static final UUID TEMPLATE = UUID.randomUUID();
    private static final String LINES = Facet.setting("vibration", "lines");

    private final UUID area = UUID.randomUUID();
    private final UUID pump = UUID.randomUUID();
    private final UUID point = UUID.randomUUID();
    private final UUID check = UUID.randomUUID();
    private NodeTree tree = plant();

    private NodeTree plant() {
        UUID client = UUID.randomUUID();
        UUID site = UUID.randomUUID();
        return NodeTree.EMPTY.apply(PlantChange.adding(List.of(
                Node.of(client, Node.PLANT, Level.CLIENT, "", "Marrowdale Works"),
                Node.of(site, client, Level.SITE, "", "Works"),
                Node.of(area, site, Level.AREA, "", "Wellfield"),
                Node.of(pump, area, Level.ASSET, "P-101", "Well pump").at(area, 1),
                Node.of(point, pump, Level.POINT, "", "Drive end"),
                new Node(
                        check,
                        point,
                        Level.CHECK,
                        0,
                        "",
                        "",
                        "vibration",
                        "",
                        Map.of(),
                        Map.of("vibration", Map.of("lines", "800")),
                        Map.of(),
                        Optional.empty()))));
    }

    private Node stamped(Template template, String tag) {
        List<Node> nodes = template.stamp(tag, "", area, tree.size() * 1000L, UUID::randomUUID);
        tree = tree.apply(PlantChange.adding(nodes));
        return nodes.get(0);
    }

    private void set(UUID node, String facet, String value) {
        String now = tree.find(node).orElseThrow().facets().getOrDefault(facet, "");
        tree = tree.apply(PlantChange.altering(List.of(new Alteration(node, Map.of(facet, new Shift(now, value))))));
    }

    private Node below(Node asset, Level level) {
        return tree.subtree(asset.id()).stream()
                .filter(node -> node.level() == level)
                .findFirst()
                .orElseThrow();
    }

    private void follow(Node asset, Template former, Template later) {
        tree = tree.apply(
                Following.of(tree, asset.id(), former, later, UUID::randomUUID).change());
    }

    @Example
    void aStampedAssetIsTheTemplateUnderAnotherTag() {
        Template template = Template.of(TEMPLATE, "Pump", 1, tree, pump);
        Node stamped = stamped(template, "P-204");
        assertThat(template.checks()).isEqualTo(1);
        assertThat(tree.subtree(stamped.id()))
                .extracting(Node::label)
                .containsExactly("P-204 Well pump", "Drive end", "");
        assertThat(below(stamped, Level.CHECK).settingsOf("vibration")).containsEntry("lines", "800");
        assertThat(Template.of(TEMPLATE, "Pump", 1, tree, stamped.id()).parts().subList(1, 3))
                .as("kept again it is the same template")
                .isEqualTo(template.parts().subList(1, 3));
    }

    @Example
    void whatFollowsBecomesAsTheNewRevisionAndWhatWasChangedByHandStays() {
        Template former = Template.of(TEMPLATE, "Pump", 1, tree, pump);
        Node example = stamped(former, "P-200");
        Node plain = stamped(former, "P-201");
        Node changed = stamped(former, "P-202");
        set(below(changed, Level.CHECK).id(), LINES, "400");
        set(below(example, Level.CHECK).id(), LINES, "3200");
        tree = tree.apply(
                PlantChange.adding(List.of(Node.of(UUID.randomUUID(), example.id(), Level.POINT, "", "Non-drive end")
                        .at(example.id(), 9_000_000))));
        Template later = Template.of(TEMPLATE, "Pump", 2, tree, example.id());

        Following ofChanged = Following.of(tree, changed.id(), former, later, UUID::randomUUID);
        assertThat(ofChanged.kept()).isEqualTo(1);
        follow(plain, former, later);
        follow(changed, former, later);

        assertThat(below(plain, Level.CHECK).settingsOf("vibration")).containsEntry("lines", "3200");
        assertThat(below(changed, Level.CHECK).settingsOf("vibration")).containsEntry("lines", "400");
        assertThat(tree.subtree(plain.id()))
                .extracting(Node::label)
                .containsExactly("P-201 Well pump", "Drive end", "", "Non-drive end");
        assertThat(Following.of(tree, plain.id(), later, later, UUID::randomUUID)
                        .change()
                        .isEmpty())
                .as("following twice does nothing more")
                .isTrue();
    }

    @Example
    void aPartThatTheTemplateDroppedGoesUnlessSomethingOfTheAssetsOwnHangsOnIt() {
        Template former = Template.of(TEMPLATE, "Pump", 1, tree, pump);
        Node example = stamped(former, "P-200");
        Node plain = stamped(former, "P-201");
        Node extended = stamped(former, "P-202");
        UUID own = UUID.randomUUID();
        tree = tree.apply(PlantChange.adding(List.of(new Node(
                own,
                below(extended, Level.POINT).id(),
                Level.CHECK,
                5,
                "",
                "own",
                "vibration",
                "",
                Map.of(),
                Map.of(),
                Map.of(),
                Optional.empty()))));
        tree = tree.apply(
                Moving.remove(tree, List.of(below(example, Level.POINT).id())));
        Template later = Template.of(TEMPLATE, "Pump", 2, tree, example.id());
        follow(plain, former, later);
        follow(extended, former, later);
        assertThat(tree.subtree(plain.id())).hasSize(1);
        assertThat(tree.find(own)).isPresent();
    }

    @Property
    void aRangeHasAsManyTagsAsItCounts(
            @ForAll @IntRange(min = 0, max = 9_999) int from, @ForAll @IntRange(min = 0, max = 300) int more) {
        List<String> tags = TagPattern.expand("P-%04d..P-%04d".formatted(from, from + more));
        assertThat(tags).hasSize(more + 1).doesNotHaveDuplicates();
        assertThat(tags.get(more)).isEqualTo("P-%04d".formatted(from + more));
    }

    @Example
    void tagsAreListedAndCounted() {
        assertThat(TagPattern.expand("P-201, P-205..207,B-9"))
                .containsExactly("P-201", "P-205", "P-206", "P-207", "B-9");
        List<String> wrong = new ArrayList<>(List.of("P..P-3", "P-9..P-3", "P-1..P-5000", "P-1..x"));
        wrong.forEach(pattern ->
                assertThatThrownBy(() -> TagPattern.expand(pattern)).isInstanceOf(IllegalArgumentException.class));
    }
}
