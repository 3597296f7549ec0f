package rovek.core.technique.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rovek.core.reading.TableCapture;
import rovek.core.technique.Analysis;
import rovek.core.technique.Curve;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.wording.Sentence;

class LoggedRunTest {

    private final LoggedRun run = new LoggedRun();

    /** Two minutes: the level falls from 3 to 1, the heat is too high in the last half minute. */
    private final TableCapture capture = new TableCapture(
            List.of(
                    new TableCapture.Numbers(TableCapture.TIME, "s", new double[] {0, 30, 60, 90, 120}),
                    new TableCapture.Numbers("level", "m", new double[] {3, 2.5, 2, 1.5, 1}),
                    new TableCapture.Numbers("heat", "°C", new double[] {20, 20, 20, 40, 60})),
            List.of());

    private Analysis within(String limits) {
        return run.analyse(capture, run.settingsOf(Map.of("channelLimits", limits)));
    }

    @Test
    void theTimeOutsideIsThatOfAnyChannelCountedOnce() {
        assertThat(within("level: 1.5..").results().get(0).value().value())
                .as("the last 30 s")
                .isEqualTo(0.5);
        assertThat(within("Level: 1.5..; HEAT: ..30").results().get(0).value().value())
                .as("from 75 s on, where the heat crosses 30")
                .isEqualTo(0.75);
        assertThat(within("level: 1.5..").reasonNotToJudge().isBlank()).isTrue();
    }

    @Test
    void withoutLimitsItIsKeptAndSaysWhyItIsNotJudged() {
        Analysis kept = within("");
        assertThat(kept.results()).isEmpty();
        assertThat(kept.reasonNotToJudge()).isEqualTo(Sentence.of("reading.noChannelLimits"));
        assertThat(kept.curves()).hasSize(2);
        assertThat(run.results(run.settingsOf(Map.of()))).isEmpty();
    }

    @Test
    void aChannelThatIsNotThereIsNamedInsteadOfPassed() {
        Analysis missing = within("level: 1..; flow: 3..9");
        assertThat(missing.results()).isEmpty();
        assertThat(missing.reasonNotToJudge()).isEqualTo(Sentence.of("reading.channelMissing", "channels", "\"flow\""));
    }

    @Test
    void aChannelIsDrawnWithItsLimits() {
        Curve.Run level = (Curve.Run) within("level: 1.5..").curves().get(0);
        assertThat(level.limits().low()).isEqualTo(1.5);
        assertThat(level.limits().isNone()).isFalse();
        assertThatThrownBy(() -> within("level"))
                .isInstanceOf(InvalidSettingsException.class)
                .hasMessageContaining("Channels stay within");
    }

    private static boolean[] pauses(double... seconds) {
        return Pauses.behind(seconds);
    }

    /** The fault that was seen: one sample between two pauses made each the other's usual pace. */
    @Test
    void oneSampleBetweenTwoPausesHidesNeither() {
        assertThat(pauses(0, 1, 2, 3, 103, 203, 204, 205, 206))
                .containsExactly(false, false, false, true, true, false, false, false);
        assertThat(pauses(0, 1, 2, 3, 103, 203, 303, 403))
                .as("a change of pace")
                .containsOnly(false);
        assertThat(pauses(0, 1, 2, 3, 4, 5, 100))
                .as("the last one")
                .containsExactly(false, false, false, false, false, true);
        assertThat(pauses(0, 1, 1, 2, 2, 3, 50, 51, 51, 52))
                .as("rows that share a time tell no pace")
                .containsExactly(false, false, false, false, false, true, false, false, false);
        assertThat(pauses(5)).isEmpty();
        assertThat(pauses()).isEmpty();
    }

    @Test
    void twoRowsOfOneTimeAreAStep() {
        TableCapture doubled = new TableCapture(
                List.of(
                        new TableCapture.Numbers("time", "s", new double[] {0, 10, 10, 20}),
                        new TableCapture.Numbers("level", "m", new double[] {1, 1, 3, 3})),
                List.of());
        Analysis analysis = run.analyse(doubled, run.settingsOf(Map.of("channelLimits", "level: ..2")));
        assertThat(analysis.results().get(0).value().value())
                .as("the last 10 s, from the step on")
                .isCloseTo(10 / 60.0, org.assertj.core.api.Assertions.within(1e-12));
        assertThatThrownBy(() -> new TableCapture(
                        List.of(new TableCapture.Numbers("time", "s", new double[] {0, 10, 9})), List.of()))
                .hasMessage("reading.timesGoBack {row=3}");
    }
}
