package rovek.core.technique.vibration;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rovek.core.nameplate.Nameplate;
import rovek.core.reading.WaveformCapture;
import rovek.core.technique.Finding;
import rovek.core.technique.vibration.DiagnosisTrial.Outcome;
import rovek.core.technique.vibration.SimulatedMachine.Damage;

/** Fewer machines than {@code ./rovek bench diagnosis} takes, the same promises. */
class DiagnosisTrialTest {

    private static final double RATE = 25_600;
    private final DiagnosisTrial trial = new DiagnosisTrial();

    @Test
    void ofSoundMachinesDamageIsSeldomClaimed() {
        assertThat(trial.of(Damage.NONE, 0, 600, 1).claimedPercent()).isLessThanOrEqualTo(1);
    }

    @Test
    void plainDamageIsFoundAndCalledByItsName() {
        for (Damage damage : List.of(Damage.OUTER_RACE, Damage.INNER_RACE, Damage.ROLLING_ELEMENT)) {
            Outcome outcome = trial.of(damage, 8, 50, 1_000_000);
            assertThat(outcome.rightPercent()).as("%s", outcome).isGreaterThanOrEqualTo(90);
            assertThat(outcome.claimedPercent() - outcome.rightPercent())
                    .as("%s", outcome)
                    .isLessThanOrEqualTo(3);
        }
    }

    /**
     * The faults that were seen: a cage defect with three harmonics on 16 of 24 pure sines, an outer race on rounding
     * noise.
     */
    @Test
    void aPureToneShowsNoDamageWhateverItsFrequency() {
        Vibration vibration = new Vibration();
        Map<String, String> plate =
                Map.of("speedRpm", "1480", "bearingBalls", "8", "bearingBallMm", "15.08", "bearingPitchMm", "65");
        for (double hz : new double[] {24.7, 49.3, 76, 100, 1_000, 1_480, 2_222.2, 3_000, 5_000, 6_789, 8_000, 9_999}) {
            for (double amplitude : new double[] {1e-7, 1, 100}) {
                double[] samples = new double[16_384];
                for (int i = 0; i < samples.length; i++) {
                    samples[i] = (float) (amplitude * Math.sin(2 * Math.PI * hz * i / RATE + 0.4));
                }
                List<Finding> findings = vibration.findings(
                        WaveformCapture.ofAcceleration(samples, RATE),
                        vibration.settingsOf(Map.of()),
                        Nameplate.of(List.of(plate)));
                assertThat(findings)
                        .as("%s Hz, %s m/s2", hz, amplitude)
                        .noneMatch(one -> one.code().equals("bearing"));
            }
        }
    }
}
