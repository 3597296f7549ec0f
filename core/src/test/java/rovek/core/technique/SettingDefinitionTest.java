package rovek.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rovek.core.entry.Entry;
import rovek.core.wording.Sentence;

class SettingDefinitionTest {

    private static final SettingDefinition RATE =
            new SettingDefinition("rateHz", "Sampling", "Hz", "25600", new Entry.Number(256, 204_800));
    private static final SettingDefinition WINDOW =
            new SettingDefinition("window", "Window", "", "Hann", new Entry.Choice(List.of("Hann", "flat-top")));

    @ParameterizedTest
    @ValueSource(strings = {"256", "204800", "1e4", "12800.5"})
    void theEdgesOfARangeBelongToIt(String value) {
        assertThat(RATE.fault("", value)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"255.9", "204801", "NaN", "Infinity", "-256", "", "fast", "25 600"})
    void whatIsOutsideIsRefusedWithTheRangeAndTheUnit(String value) {
        assertThat(RATE.fault("", value))
                .contains(Sentence.of(
                        "entry.notInRangeOf",
                        "name",
                        Sentence.named("names.rateHz", "Sampling"),
                        "least",
                        "256",
                        "largest",
                        "204800",
                        "unit",
                        "Hz",
                        "value",
                        value));
    }

    @Test
    void aChoiceIsOneOfItsWords() {
        assertThat(WINDOW.fault("", "flat-top")).isEmpty();
        assertThat(WINDOW.fault("", "hann"))
                .hasValueSatisfying(
                        fault -> assertThat(fault)
                                .hasToString(
                                        "entry.notOffered {name=Window, options=base.listed {next=flat-top, one=Hann}, value=hann}"));
    }

    @Test
    void whatIsNotGivenStandsAtItsDefaultAndWhatIsNotKnownIsLeftOut() {
        SettingValues values =
                SettingValues.of("", List.of(RATE, WINDOW), Map.of("window", "flat-top", "colour", "blue"));
        assertThat(values.values()).containsExactlyInAnyOrderEntriesOf(Map.of("rateHz", "25600", "window", "flat-top"));
        assertThat(values.number("rateHz")).isEqualTo(25_600);
        assertThatThrownBy(() -> values.text("colour")).hasMessageContaining("There is no setting");
    }

    @Test
    void allFaultsComeTogether() {
        assertThatThrownBy(() -> SettingValues.of("", List.of(RATE, WINDOW), Map.of("rateHz", "1", "window", "x")))
                .isInstanceOfSatisfying(
                        InvalidSettingsException.class,
                        e -> assertThat(e.faults()).hasSize(2));
    }

    @Test
    void anUnknownTechniqueIsSaidToBeUnknown() {
        Techniques techniques = Techniques.all();
        assertThat(techniques.find("divination")).isEmpty();
        assertThatThrownBy(() -> techniques.get("divination"))
                .hasMessageContaining("does not know the technique \"divination\"");
        assertThat(techniques.list()).extracting(Technique::id).contains("vibration");
    }
}
