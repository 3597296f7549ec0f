package rovek.core.technique.vibration;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import rovek.core.nameplate.Nameplate;
import rovek.core.reading.WaveformCapture;
import rovek.core.technique.Finding;
import rovek.core.wording.Sentence;

/**
 * How often damage is claimed of sound machines, and found in damaged ones: over simulated machines, the seed fixed.
 */
public final class DiagnosisTrial {

    private final Vibration vibration = new Vibration();

    /** How many machines of how many were said to have a damaged bearing, and how many of those the right damage. */
    public record Outcome(SimulatedMachine.Damage damage, double strokes, int machines, int claimed, int right) {

        public double claimedPercent() {
            return 100.0 * claimed / machines;
        }

        public double rightPercent() {
            return 100.0 * right / machines;
        }

        @Override
        public String toString() {
            return damage == SimulatedMachine.Damage.NONE
                    ? String.format(
                            Locale.ROOT, "%,d sound machines: damage claimed of %.2f %%", machines, claimedPercent())
                    : String.format(
                            Locale.ROOT,
                            "%,d with damage of the %s, strokes of %.1f times the noise: found in %.0f %%, "
                                    + "called something else in %.1f %%",
                            machines,
                            damage.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                            strokes,
                            rightPercent(),
                            claimedPercent() - rightPercent());
        }
    }

    public Outcome of(SimulatedMachine.Damage damage, double strokes, int machines, long seed) {
        int claimed = 0;
        int right = 0;
        for (int i = 0; i < machines; i++) {
            SimulatedMachine machine = new SimulatedMachine(seed + i);
            List<Finding> findings = vibration.findings(
                    WaveformCapture.ofAcceleration(machine.acceleration(damage, strokes), SimulatedMachine.RATE_HZ),
                    vibration.settingsOf(Map.of()),
                    Nameplate.of(List.of(machine.plate())));
            List<Sentence> bearing = findings.stream()
                    .filter(one -> one.code().equals("bearing"))
                    .map(Finding::sentence)
                    .toList();
            claimed += bearing.isEmpty() ? 0 : 1;
            right += bearing.stream()
                            .anyMatch(one -> damage.name()
                                    .toLowerCase(Locale.ROOT)
                                    .equals(one.values().get("defect")))
                    ? 1
                    : 0;
        }
        return new Outcome(damage, strokes, machines, claimed, right);
    }

    /** Sound machines, and each kind of damage from faint to plain. */
    public List<Outcome> all(int machines) {
        List<Outcome> outcomes = new ArrayList<>(List.of(of(SimulatedMachine.Damage.NONE, 0, machines, 1)));
        for (SimulatedMachine.Damage damage : SimulatedMachine.Damage.values()) {
            for (double strokes : damage == SimulatedMachine.Damage.NONE ? new double[0] : new double[] {2, 4, 8}) {
                outcomes.add(of(damage, strokes, machines / 10, 1_000_000));
            }
        }
        return outcomes;
    }
}
