package rovek.core.plant.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Node;

/** Looking through all of them, one after the other, finds the same. */
class SiblingsTest {

    private static final List<String> TEXTS = List.of("", "", "P-1", "P-2", "Pump", "P-1 Pump");
    private static final List<Level> LEVELS = List.of(Level.ASSET, Level.POINT, Level.CHECK);

    private static <T> T any(Random random, List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    private static Node node(Random random) {
        Map<String, String> facets = new HashMap<>(Map.of(
                Facet.PARENT,
                Node.PLANT.toString(),
                Facet.LEVEL,
                any(random, LEVELS).name(),
                Facet.PLACE,
                "1"));
        facets.put(Facet.TAG, any(random, TEXTS));
        facets.put(Facet.NAME, any(random, TEXTS));
        facets.put(Facet.TECHNIQUE, any(random, List.of("", "vibration", "gauge")));
        if (random.nextBoolean()) {
            facets.put(Facet.setting("vibration", "lines"), any(random, List.of("400", "800")));
        }
        return Node.of(new UUID(random.nextLong(), random.nextLong()), facets);
    }

    @Property(tries = 300)
    void theFirstThatFitsIsFound(@ForAll long seed) {
        Random random = new Random(seed);
        List<Node> all = new ArrayList<>();
        Siblings siblings = new Siblings();
        for (int i = 0; i < 12; i++) {
            all.add(node(random));
            siblings.add(all.get(i));
        }
        siblings.add(all.get(0));
        for (String text : TEXTS) {
            assertThat(siblings.called(text))
                    .isEqualTo(first(
                            all,
                            node -> node.label().equals(text)
                                    || node.tag().equals(text)
                                    || node.name().equals(text)));
            for (String name : TEXTS) {
                for (Level level : LEVELS) {
                    assertThat(siblings.labelled(level, text, name))
                            .isEqualTo(first(
                                    all,
                                    node -> node.level() == level
                                            && (text.isEmpty()
                                                    ? node.tag().isEmpty()
                                                            && node.name().equals(name)
                                                    : node.tag().equals(text))));
                }
            }
        }
        Node wanted = node(random);
        assertThat(siblings.checkLike(wanted.technique(), wanted.facets()))
                .isEqualTo(first(
                        all,
                        node -> node.level() == Level.CHECK
                                && node.name().isEmpty()
                                && node.technique().equals(wanted.technique())
                                && node.settings().equals(wanted.settings())));
    }

    private static Optional<UUID> first(List<Node> all, java.util.function.Predicate<Node> fits) {
        return all.stream().filter(fits).map(Node::id).findFirst();
    }
}
