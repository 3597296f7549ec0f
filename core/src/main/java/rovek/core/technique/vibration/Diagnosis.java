package rovek.core.technique.vibration;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rovek.core.signal.Band;
import rovek.core.signal.SpectralPeaks;
import rovek.core.signal.SpectralPeaks.Peak;
import rovek.core.signal.Spectrum;
import rovek.core.technique.Characteristic;
import rovek.core.technique.Finding;
import rovek.core.technique.Finding.EvidenceMark;
import rovek.core.wording.Sentence;

/**
 * The few things that spectra can justify of a machine whose frequencies are known, each with the lines it is seen by.
 * After the usual signs: unbalance at shaft speed, misalignment at twice that, looseness in many multiples (ISO
 * 13373-3), bearing damage in the envelope at its defect frequency and multiples, with side bands at shaft or cage
 * speed (ISO 13373-2).
 */
final class Diagnosis {

    /** The nameplate's speed is that under load, roughly. */
    private static final double SPEED_TOLERANCE = 0.03;

    /** Tolerance where the frequency is known from the signal itself, in lines. */
    private static final double LINES = 1;

    /** A machine that vibrates less than this, mm/s RMS, shows nothing but the sensor's own noise. */
    private static final double LEAST_VELOCITY = 0.02;

    /** A line that is to mean something stands so far out of its neighbours. */
    private static final double STANDS_OUT = 4;

    private static final double SIDE_STANDS_OUT = 3;
    private static final int MOST_HARMONICS = 6;
    private static final double MOST_OF_IT = 0.6;
    private static final double MUCH_AT_TWICE = 0.5;
    private static final int LOOSE_HARMONICS = 4;
    private static final double LOOSE_SHARE = 0.1;

    private final Spectrum velocity;
    private final String velocityCurve;
    private final Map<String, Double> known;
    private final Band band;
    private final List<Finding> findings = new ArrayList<>();

    private Diagnosis(Spectrum velocity, String velocityCurve, Map<String, Double> known, Band band) {
        this.velocity = velocity;
        this.velocityCurve = velocityCurve;
        this.known = known;
        this.band = band;
    }

    /**
     * @param velocity mm/s RMS; {@code velocityCurve} is what it is shown as
     * @param ringing what rings; likewise {@code envelopeCurve}
     * @param characteristics the machine's frequencies; nothing is found without its shaft speed
     * @param band where the velocity is taken
     */
    static List<Finding> of(
            Spectrum velocity,
            String velocityCurve,
            VibrationLook.Ringing ringing,
            String envelopeCurve,
            List<Characteristic> characteristics,
            Band band) {
        Map<String, Double> known = new HashMap<>();
        characteristics.forEach(one -> known.put(one.id(), one.value().value()));
        if (!known.containsKey("shaft")) {
            return List.of();
        }
        Diagnosis diagnosis = new Diagnosis(velocity, velocityCurve, known, band);
        double shaft = diagnosis.shaft();
        new BearingDefects(ringing, known, shaft)
                .clearest()
                .ifPresent(series -> diagnosis.add("bearing", series.sentence(), envelopeCurve, series.marks()));
        diagnosis.turning(shaft);
        diagnosis.meshing("gear mesh", shaft);
        diagnosis.meshing("blade pass", shaft);
        return diagnosis.findings;
    }

    /** As it turned, near what the nameplate says. */
    private double shaft() {
        double plate = known("shaft");
        return SpectralPeaks.near(velocity, plate, Math.max(SPEED_TOLERANCE * plate, LINES * velocity.stepHz()))
                .filter(peak -> peak.standsOut() >= STANDS_OUT)
                .map(Peak::hz)
                .orElse(plate);
    }

    /** A peak at a frequency that stands out. */
    private Optional<Peak> at(double hz, double standsOut) {
        return at(hz, LINES, standsOut);
    }

    private Optional<Peak> at(double hz, double lines, double standsOut) {
        return SpectralPeaks.near(velocity, hz, lines * velocity.stepHz())
                .filter(peak -> peak.standsOut() >= standsOut);
    }

    private void turning(double shaft) {
        Optional<Peak> found = at(shaft, STANDS_OUT).filter(peak -> peak.rms() >= LEAST_VELOCITY);
        if (found.isEmpty()) {
            return;
        }
        Peak once = found.get();
        Optional<Peak> twice = at(2 * shaft, STANDS_OUT).filter(peak -> peak.rms() >= MUCH_AT_TWICE * once.rms());
        double all = velocity.bandRms(band);
        double share = Math.min(1, once.rms() * once.rms() / (all * all));
        List<EvidenceMark> multiples = new ArrayList<>();
        for (int n = 3; n <= 2 + MOST_HARMONICS; n++) {
            String name = n + "×";
            at(n * shaft, STANDS_OUT)
                    .filter(peak -> peak.rms() >= LOOSE_SHARE * once.rms())
                    .ifPresent(peak -> multiples.add(new EvidenceMark(name, peak.hz())));
        }
        if (multiples.size() >= LOOSE_HARMONICS) {
            multiples.add(0, new EvidenceMark("1×", once.hz()));
            add(
                    "looseness",
                    Sentence.of("vibration.looseness", "multiples", multiples.size() - 1),
                    velocityCurve,
                    multiples);
        } else if (twice.isPresent()) {
            add(
                    "misalignment",
                    Sentence.of(
                            "vibration.misalignment",
                            "percent",
                            100 * twice.get().rms() / once.rms()),
                    velocityCurve,
                    List.of(
                            new EvidenceMark("1×", once.hz()),
                            new EvidenceMark("2×", twice.get().hz())));
        } else if (share >= MOST_OF_IT) {
            add(
                    "unbalance",
                    Sentence.of("vibration.unbalance", "percent", 100 * share),
                    velocityCurve,
                    List.of(new EvidenceMark("1×", once.hz())));
        }
    }

    private void meshing(String which, double shaft) {
        if (!known.containsKey(which)) {
            return;
        }
        double expected = known(which) * shaft / known("shaft");
        // The shaft's speed is known to a twentieth of a line, and that counts as often as there are teeth.
        Optional<Peak> peak = at(expected, Math.max(LINES, expected / shaft / 20), STANDS_OUT)
                .filter(one -> one.rms() >= LEAST_VELOCITY);
        Optional<Peak> below = peak.flatMap(one -> at(one.hz() - shaft, SIDE_STANDS_OUT));
        Optional<Peak> above = peak.flatMap(one -> at(one.hz() + shaft, SIDE_STANDS_OUT));
        if (peak.isPresent() && below.isPresent() && above.isPresent()) {
            add(
                    which.replace(' ', '-'),
                    Sentence.of(
                            "vibration.meshing",
                            "frequency",
                            which.replace(' ', '_'),
                            "hz",
                            peak.get().hz()),
                    velocityCurve,
                    List.of(
                            new EvidenceMark("−1", below.get().hz()),
                            new EvidenceMark(
                                    which,
                                    Characteristic.called(which),
                                    peak.get().hz()),
                            new EvidenceMark("+1", above.get().hz())));
        }
    }

    private void add(String code, Sentence sentence, String curve, List<EvidenceMark> evidence) {
        findings.add(new Finding(code, sentence, curve, evidence));
    }

    /** @throws NullPointerException where the nameplate does not tell; it was asked for before */
    private double known(String frequency) {
        return requireNonNull(known.get(frequency), frequency);
    }
}
