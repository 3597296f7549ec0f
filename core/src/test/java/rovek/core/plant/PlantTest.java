package rovek.core.plant;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

class PlantTest {

    private static SettingLayer layer(String name, Map<String, String> values) {
        return new SettingLayer(UUID.randomUUID(), name, values);
    }

    @Property
    void nothingHoldsWhatLiesFurtherOut(@ForAll Level parent, @ForAll Level child) {
        if (child.ordinal() < parent.ordinal()) {
            assertThat(parent.mayHold(child)).isFalse();
        }
    }

    @Property
    void theUsualChildIsAllowed(@ForAll Level parent) {
        if (parent != Level.CHECK) {
            assertThat(parent.mayHold(parent.usualChild())).isTrue();
        }
    }

    @Example
    void onlyAPointHoldsChecksAndAssetsNest() {
        assertThat(Level.ASSET.mayHold(Level.CHECK)).isFalse();
        assertThat(Level.POINT.mayHold(Level.CHECK)).isTrue();
        assertThat(Level.ASSET.mayHold(Level.ASSET)).isTrue();
        assertThat(Level.CLIENT.mayHold(Level.CLIENT)).isFalse();
        assertThat(Level.CHECK.mayHold(Level.CHECK)).isFalse();
    }

    @Example
    void theInnermostNodeThatSpeaksDecidesAndIsNamed() {
        SettingLayer site = layer("Marrowdale Works", Map.of("rateHz", "12800", "lines", "3200"));
        SettingLayer asset = layer("P-101", Map.of("lines", "6400"));
        SettingLayer check = layer("Velocity", Map.of("lines", "800"));
        var settings = Inheritance.resolve(
                Map.of("rateHz", "25600", "lines", "400", "window", "Hann"), List.of(site, asset, check));
        assertThat(settings.get("rateHz").value()).isEqualTo("12800");
        assertThat(settings.get("rateHz").origin()).contains(site);
        assertThat(settings.get("rateHz").overridden())
                .as("the check itself says nothing")
                .isEmpty();
        assertThat(settings.get("lines").value()).isEqualTo("800");
        assertThat(settings.get("lines").overridden())
                .as("what would hold without it")
                .contains("6400");
        assertThat(settings.get("window").origin())
                .as("the technique's default")
                .isEmpty();
    }
}
