package rovek.core.plant;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

class NodeTreeDifferenceTest {

    private static Set<UUID> compared(NodeTree one, NodeTree other) {
        Set<UUID> ids = new HashSet<>();
        one.subtree(Node.PLANT).forEach(node -> ids.add(node.id()));
        other.subtree(Node.PLANT).forEach(node -> ids.add(node.id()));
        ids.removeIf(id -> one.find(id).equals(other.find(id)));
        return ids;
    }

    /** Whether or not the two share what lies below: many changes make a base of their own. */
    @Property(tries = 60)
    void whatDiffersIsWhatAComparisonNodeByNodeFinds(@ForAll long seed) {
        Plants plants = new Plants(seed);
        NodeTree before = plants.grown(60);
        NodeTree after = before;
        Random choice = new Random(seed);
        for (int i = 0; i < 12; i++) {
            try {
                after = after.apply(plants.any(after, choice));
            } catch (PlantRefusedException cannotBe) {
                // another change then
            }
        }
        assertThat(before.differing(after)).isEqualTo(compared(before, after));
        assertThat(after.differing(before)).isEqualTo(compared(before, after));
        NodeTree rebuilt = NodeTree.of(after.subtree(Node.PLANT));
        assertThat(before.differing(rebuilt)).isEqualTo(compared(before, after));
        assertThat(after.differing(rebuilt)).isEmpty();
    }

    @Example
    void aTreeDiffersFromNothingByAllItsNodes() {
        NodeTree tree = new Plants(7).grown(20);
        assertThat(tree.differing(tree)).isEmpty();
        assertThat(NodeTree.EMPTY.differing(tree)).hasSize(tree.size());
    }
}
