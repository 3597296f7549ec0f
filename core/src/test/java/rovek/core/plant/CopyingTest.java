package rovek.core.plant;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

class CopyingTest {

    @Example
    void tagsCountOnToTheNextFreeOne() {
        assertThat(Numbering.nextTag("P-101", Set.of("P-101", "P-102"))).isEqualTo("P-103");
        assertThat(Numbering.nextTag("P-009", Set.of("P-009")))
                .as("leading zeros stay")
                .isEqualTo("P-010");
        assertThat(Numbering.nextTag("P-099A", Set.of())).isEqualTo("P-100A");
        assertThat(Numbering.nextTag("FAN", Set.of("FAN"))).isEqualTo("FAN-2");
        assertThat(Numbering.nextTag("", Set.of())).isEmpty();
    }

    @Property
    void aNextTagIsNeverTaken(
            @ForAll @IntRange(min = 1, max = 99_999) int number,
            @ForAll Set<@IntRange(min = 1, max = 300) Integer> others) {
        Set<String> taken = new java.util.HashSet<>(Set.of("P-" + number));
        others.forEach(other -> taken.add("P-" + (number + other)));
        assertThat(taken).doesNotContain(Numbering.nextTag("P-" + number, taken));
    }

    @Example
    void aCopiedMachineIsNumberedOnAndItsPointsKeepTheirNames() {
        NodeTree tree = Plants.add(NodeTree.EMPTY, Plants.node(Node.PLANT, Level.CLIENT, "", "Marrowdale Works"));
        Node site = Plants.node(tree.children(Node.PLANT).get(0), Level.SITE, "", "Works 1");
        tree = Plants.add(tree, site);
        Node pump = Plants.node(site.id(), Level.ASSET, "P-101", "Well pump 1");
        tree = Plants.add(tree, pump);
        Node motor = Plants.node(pump.id(), Level.ASSET, "P-101M", "Motor");
        tree = Plants.add(tree, motor);
        Node point = Plants.node(motor.id(), Level.POINT, "", "DE 1");
        tree = Plants.add(tree, point);
        tree = Plants.add(tree, Plants.node(site.id(), Level.ASSET, "P-102", "Well pump 2"));

        PlantChange change = new Copying(tree, UUID::randomUUID)
                .copy(List.of(pump.id(), point.id()), site.id(), Optional.of(pump.id()));
        NodeTree after = tree.apply(change);

        List<String> copied = change.added().stream().map(Node::label).toList();
        assertThat(copied).containsExactly("P-103 Well pump 3", "P-103M Motor", "DE 1");
        assertThat(after.children(site.id()).stream()
                        .map(id -> after.find(id).orElseThrow().tag())
                        .toList())
                .containsExactly("P-101", "P-103", "P-102");
    }
}
