package rovek.core.technique.vibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import rovek.core.nameplate.Nameplate;
import rovek.core.reading.WaveformCapture;
import rovek.core.technique.Finding;
import rovek.core.wording.Sentence;

/** What a spectrum can justify, from signals whose cause is known. */
class FindingsTest {

    private static final double RATE = 25_600;
    private static final double SHAFT = 24.8;
    private final Vibration vibration = new Vibration();
    /** Eight elements of 15.08 on 65 mm: outer race 3.07, inner race 4.93 times shaft speed. */
    private static final Map<String, String> BEARING =
            Map.of("speedRpm", "1480", "bearingBalls", "8", "bearingBallMm", "15.08", "bearingPitchMm", "65");

    private List<Finding> findings(Map<String, String> plate, DoubleUnaryOperator acceleration) {
        Random chance = new Random(5);
        double[] samples = new double[16_384];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = acceleration.applyAsDouble(i / RATE) + 0.5 * chance.nextGaussian();
        }
        return vibration.findings(
                WaveformCapture.ofAcceleration(samples, RATE),
                vibration.settingsOf(Map.of()),
                Nameplate.of(List.of(plate)));
    }

    /** The acceleration of a velocity sine, mm/s RMS. */
    private static double tone(double hz, double mmPerSecond, double t) {
        return mmPerSecond / 1000 * Math.sqrt(2) * 2 * Math.PI * hz * Math.sin(2 * Math.PI * hz * t);
    }

    /** Ringing struck at a rate, the strokes themselves swelling with the shaft where they are modulated. */
    private static double impacts(double rateHz, double size, double modulation, double t) {
        double since = t % (1 / rateHz);
        double swell = 1 + modulation * Math.cos(2 * Math.PI * SHAFT * t);
        return size * swell * Math.exp(-900 * since) * Math.sin(2 * Math.PI * 3_200 * since);
    }

    private static List<String> codes(List<Finding> findings) {
        return findings.stream().map(Finding::code).toList();
    }

    @Test
    void oneLineAtShaftSpeedIsUnbalance() {
        List<Finding> found = findings(BEARING, t -> tone(SHAFT, 3, t) + tone(2 * SHAFT, 0.3, t));
        assertThat(codes(found)).containsExactly("unbalance");
        assertThat(found.get(0).evidence().get(0).at())
                .as("as it turned, not as the nameplate says")
                .isCloseTo(SHAFT, within(0.3));
    }

    @Test
    void muchAtTwiceIsMisalignmentAndManyMultiplesAreLooseness() {
        assertThat(codes(findings(BEARING, t -> tone(SHAFT, 2, t) + tone(2 * SHAFT, 1.8, t))))
                .containsExactly("misalignment");
        DoubleUnaryOperator many = t -> {
            double sum = 0;
            for (int n = 1; n <= 8; n++) {
                sum += tone(n * SHAFT, 2.0 / n, t);
            }
            return sum;
        };
        List<Finding> loose = findings(BEARING, many);
        assertThat(codes(loose)).containsExactly("looseness");
        assertThat(loose.get(0).sentence()).isEqualTo(Sentence.of("vibration.looseness", "multiples", 6));
    }

    @Test
    void anOuterRaceShowsItsFrequencyAndMultiplesInTheEnvelope() {
        double defect = 8 / 2.0 * (1 - 15.08 / 65) * SHAFT;
        List<Finding> found = findings(BEARING, t -> tone(SHAFT, 1.5, t) + impacts(defect, 40, 0, t));
        Finding bearing = found.stream()
                .filter(one -> one.code().equals("bearing"))
                .findFirst()
                .orElseThrow();
        assertThat(bearing.sentence().values())
                .containsEntry("defect", "outer_race")
                .containsEntry("sides", "none");
        assertThat(bearing.curve()).isEqualTo("envelope");
        assertThat(bearing.evidence().get(1).at()).isCloseTo(2 * defect, within(2.0));
    }

    @Test
    void anInnerRaceIsToldByItsSideBandsAtShaftSpeed() {
        double defect = 8 / 2.0 * (1 + 15.08 / 65) * SHAFT;
        List<Finding> found = findings(BEARING, t -> tone(SHAFT, 1.5, t) + impacts(defect, 40, 0.7, t));
        assertThat(found)
                .anySatisfy(one -> assertThat(one.sentence().values())
                        .containsEntry("defect", "inner_race")
                        .containsEntry("sides", "shaft"));
    }

    @Test
    void whatShowsNothingIsNotTalkedInto() {
        assertThat(findings(BEARING, t -> 0)).as("noise alone").isEmpty();
        assertThat(findings(Map.of(), t -> tone(SHAFT, 3, t)))
                .as("no speed is known")
                .isEmpty();
        Map<String, String> speedOnly = new HashMap<>(Map.of("speedRpm", "1480"));
        assertThat(codes(findings(speedOnly, t -> tone(SHAFT, 1.5, t) + impacts(80, 40, 0, t))))
                .as("no bearing is known")
                .doesNotContain("bearing");
    }

    @Test
    void gearsShowSideBandsRoundTheirMesh() {
        Map<String, String> gear = Map.of("speedRpm", "1488", "teeth", "21");
        double mesh = 21 * SHAFT;
        List<Finding> found = findings(
                gear,
                t -> tone(SHAFT, 1, t) + tone(mesh, 1, t) + tone(mesh - SHAFT, 0.4, t) + tone(mesh + SHAFT, 0.4, t));
        assertThat(codes(found)).contains("gear-mesh");
    }
}
