package rovek.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rovek.core.reading.Capture;

/** What every technique keeps to. A new one extends this and gives a sound capture. */
abstract class TechniqueContract {

    abstract Technique technique();

    /** A capture that these settings can be judged from. */
    abstract Capture soundCapture(SettingValues settings);

    private SettingValues defaults() {
        return technique().settingsOf(Map.of());
    }

    @Test
    void theDefaultsAreSoundAndStandInTheirOrder() {
        assertThat(technique().defaults().keySet())
                .containsExactlyElementsOf(technique().settings().stream()
                        .map(SettingDefinition::key)
                        .toList());
        assertThat(defaults().values()).isEqualTo(technique().defaults());
    }

    @Test
    void everyPresetIsSoundAndNamesItsCheck() {
        assertThat(technique().presets()).isNotEmpty();
        for (Technique.Preset preset : technique().presets()) {
            SettingValues settings = technique().settingsOf(preset.settings());
            assertThat(technique().checkName(settings)).isEqualTo(preset.name());
            assertThat(technique().results(settings)).isNotEmpty();
        }
    }

    @Test
    void everyResultThatIsPromisedIsGivenInItsOwnUnit() {
        for (Technique.Preset preset : technique().presets()) {
            SettingValues settings = technique().settingsOf(preset.settings());
            Analysis analysis = technique().analyse(soundCapture(settings), settings);
            assertThat(analysis.reasonNotToJudge().isBlank()).isTrue();
            assertThat(analysis.results())
                    .extracting(Result::definition)
                    .isEqualTo(technique().results(settings));
            analysis.results()
                    .forEach(result -> assertThat(result.value().unit())
                            .isEqualTo(result.definition().unit()));
            assertThat(analysis.curves()).isNotEmpty();
        }
    }

    @Test
    void theSameCaptureGivesTheSameNumbers() {
        Capture capture = soundCapture(defaults());
        List<Result> once = technique().analyse(capture, defaults()).results();
        assertThat(technique().analyse(capture, defaults()).results()).isEqualTo(once);
    }

    @Test
    void aStopAsksForRoomAndTime() {
        StopDemand demand = technique().demand(defaults());
        assertThat(demand.memoryBytes()).isPositive();
        assertThat(demand.seconds()).isPositive();
    }

    @Test
    void aValueOutsideItsRangeIsRefusedByName() {
        for (SettingDefinition definition : technique().settings()) {
            // No number, no choice, and longer than any text.
            Map<String, String> given = new HashMap<>(Map.of(definition.key(), "no such value ".repeat(40)));
            assertThatThrownBy(() -> technique().settingsOf(given))
                    .isInstanceOf(InvalidSettingsException.class)
                    .hasMessageContaining(definition.name());
        }
    }
}
