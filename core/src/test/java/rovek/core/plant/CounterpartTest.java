package rovek.core.plant;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** The check that stands for another one on another machine, site or client. */
class CounterpartTest {

    private final List<Node> nodes = new ArrayList<>();

    private UUID add(UUID parent, Level level, String tag, String name) {
        UUID id = UUID.randomUUID();
        String technique = level == Level.CHECK ? "vibration" : "";
        nodes.add(new Node(
                id,
                parent,
                level,
                nodes.size(),
                tag,
                name,
                technique,
                "",
                Map.of(),
                Map.of(),
                Map.of(),
                Optional.empty()));
        return id;
    }

    /** A pump with one point and two checks; the first check is returned. */
    private UUID pump(UUID area, String tag, String name) {
        UUID point = add(add(area, Level.ASSET, tag, name), Level.POINT, "", "Drive end");
        UUID check = add(point, Level.CHECK, "", "Velocity");
        add(point, Level.CHECK, "", "Acceleration");
        return check;
    }

    private Optional<UUID> counterpart(UUID check, UUID under) {
        return new Counterpart(NodeTree.of(nodes), Node::name).of(check, under).map(Node::id);
    }

    private UUID area(String client) {
        return add(
                add(add(Node.PLANT, Level.CLIENT, "", client), Level.SITE, "", client + " works"),
                Level.AREA,
                "",
                "Pumps of " + client);
    }

    private UUID clientOf(UUID node) {
        return NodeTree.of(nodes).path(node).get(0).id();
    }

    @Test
    void theSameMachineOfAnotherClientIsKnownByItsTagThenByItsName() {
        UUID here = area("one");
        UUID there = area("other");
        UUID tagged = pump(here, "P-1", "Well pump");
        UUID named = pump(here, "P-9", "Booster");
        UUID byTag = pump(there, "p-1 ", "Transfer pump");
        UUID byName = pump(there, "Q-4", "booster");
        assertThat(counterpart(tagged, clientOf(there))).contains(byTag);
        assertThat(counterpart(named, clientOf(there))).contains(byName);
        assertThat(counterpart(tagged, clientOf(here)))
                .as("itself, where it is already")
                .contains(tagged);
    }

    @Test
    void aSisterMachineIsKnownByItsPoints() {
        UUID area = area("one");
        UUID check = pump(area, "P-1", "Well pump");
        UUID sister = pump(area, "P-2", "Well pump");
        UUID machine = NodeTree.of(nodes).path(sister).get(3).id();
        assertThat(counterpart(check, machine)).contains(sister);
    }

    @Test
    void nothingIsGuessed() {
        UUID here = area("one");
        UUID there = area("other");
        UUID check = pump(here, "P-1", "Well pump");
        pump(there, "A", "Well pump");
        pump(there, "B", "Well pump");
        assertThat(counterpart(check, clientOf(there))).as("two would do").isEmpty();
        UUID lone = area("third");
        UUID asset = add(lone, Level.ASSET, "P-1", "Well pump");
        assertThat(counterpart(check, clientOf(lone)))
                .as("the machine is there, its point is not")
                .isEmpty();
        add(add(asset, Level.POINT, "", "Drive end"), Level.CHECK, "", "Displacement");
        assertThat(counterpart(check, clientOf(lone)))
                .as("the point is there, the check is not")
                .isEmpty();
        assertThat(counterpart(check, UUID.randomUUID())).as("nowhere").isEmpty();
    }
}
