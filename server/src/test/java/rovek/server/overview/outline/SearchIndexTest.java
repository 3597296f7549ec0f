package rovek.server.overview.outline;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rovek.server.Caller;
import rovek.server.OneRovek;
import rovek.server.RunningRovek;
import rovek.server.SmallPlant;
import rovek.server.plant.tree.Plant;

/** An index that followed every change is the one that is made again. */
@ExtendWith(OneRovek.class)
class SearchIndexTest {

    private final Caller caller;
    private final SmallPlant plant;
    private final Plant kept;

    SearchIndexTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
        this.kept = rovek.bean(Plant.class);
    }

    private static List<String> said(SearchIndex index) {
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < index.size(); i++) {
            lines.add("%s in %d: %s, %s".formatted(index.node(i).id(), index.parent(i), index.label(i), index.node(i)));
        }
        return lines;
    }

    @Test
    void itFollowsWhateverBecomesOfThePlant() {
        List<String> checks = plant.pump("P-1");
        SearchIndex[] index = {SearchIndex.of(kept.tree())};
        SearchIndex first = index[0];
        String point = plant.row(checks.get(0)).get("node").get("parentId").asString();
        String asset = plant.row(point).get("node").get("parentId").asString();
        String area = plant.row(asset).get("node").get("parentId").asString();
        List<Runnable> changes = List.of(
                () -> caller.limit(checks.get(0), "vibration", "velocity.rms", 4.5, 7.1)
                        .ok(),
                () -> plant.alter(asset, "name", "Well pump", "Booster").ok(),
                () -> plant.alter(asset, "tag", "P-1", "P-2").ok(),
                () -> plant.alter(checks.get(1), "name", "", "A name of its own")
                        .ok(),
                // Checks without a name of their own are called after what they measure.
                () -> plant.alter(point, "setting.vibration.bandHighHz", "", "2000")
                        .ok(),
                () -> plant.id(asset, "POINT", "", "Casing"),
                () -> plant.id(area, "ASSET", "M-1", "Mixer"),
                () -> caller.post(
                                "/api/plant/move",
                                Map.of(
                                        "changeId",
                                        UUID.randomUUID().toString(),
                                        "ids",
                                        List.of(asset),
                                        "parentId",
                                        plant.id(area, "SYSTEM", "S", "Second")))
                        .ok(),
                () -> plant.remove(checks.get(2)).ok());
        for (Runnable change : changes) {
            try {
                change.run();
            } catch (AssertionError e) {
                throw new AssertionError("change " + changes.indexOf(change), e);
            }
            List<String> before = said(index[0]);
            index[0] = index[0].following(kept.tree());
            assertThat(said(index[0]))
                    .as("after change %d", changes.indexOf(change))
                    .isEqualTo(said(SearchIndex.of(kept.tree())))
                    .isNotEqualTo(before);
        }
        assertThat(said(first.following(kept.tree()))).as("all at once").isEqualTo(said(index[0]));
    }
}
