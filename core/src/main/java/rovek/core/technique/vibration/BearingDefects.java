package rovek.core.technique.vibration;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rovek.core.signal.SpectralPeaks;
import rovek.core.signal.SpectralPeaks.Peak;
import rovek.core.signal.Spectrum;
import rovek.core.technique.Finding.EvidenceMark;
import rovek.core.wording.Sentence;

/**
 * Damage of a rolling bearing in the spectrum of its envelope: its defect frequency and multiples of it (ISO 13373-2),
 * each with a peak of its own that stands out of its neighbourhood and is a share of what rings at all. What lies on
 * multiples of another known frequency - the shaft's, the supply's, blades, gears - within what the lines tell, may be
 * theirs and is no evidence.
 */
final class BearingDefects {

    /** Rolling elements slip: a defect shows a little beside where the geometry puts it. */
    private static final double SLIP = 0.015;

    /**
     * Tolerance where the frequency is known from the signal itself, in lines; also the least for what the geometry
     * says.
     */
    private static final double LINES = 1;

    /** Multiples nearer to each other than this, in lines, would share lines and neighbourhoods. */
    private static final double LEAST_APART = 4;

    private static final double FIRST_STANDS_OUT = 4;
    private static final double OTHERS_STAND_OUT = 3;

    /**
     * Of the mean of the envelope: rounding, and the ripple of a pure tone, lie far below; an impact worth telling does
     * not.
     */
    private static final double LEAST_SHARE = 0.01;

    private static final int MOST_HARMONICS = 6;
    private static final int LEAST_HARMONICS = 2;

    private static final List<String> DEFECTS = List.of("outer race", "inner race", "rolling element", "cage");

    /** What else may modulate: some of it turns with the shaft, the supply does not. */
    private static final List<String> TURNING = List.of("blade pass", "gear mesh");

    private static final List<String> FIXED = List.of("line", "twice line");

    private final Spectrum envelope;
    private final double least;
    private final Map<String, Double> known;
    private final double shaft;

    /**
     * @param known frequencies by their names, as the nameplate makes them known
     * @param shaft as it turned
     */
    BearingDefects(VibrationLook.Ringing ringing, Map<String, Double> known, double shaft) {
        this.envelope = ringing.spectrum();
        this.least = LEAST_SHARE * ringing.mean();
        this.known = known;
        this.shaft = shaft;
    }

    /**
     * What speaks for a defect.
     *
     * @param clarity how far its peaks stand out altogether
     */
    record Series(Sentence sentence, List<EvidenceMark> marks, double clarity) {}

    /** The clearest defect alone: multiples of one may fall on another's. */
    Optional<Series> clearest() {
        return DEFECTS.stream()
                .filter(known::containsKey)
                .flatMap(defect -> series(defect).stream())
                .max(Comparator.comparingDouble(Series::clarity));
    }

    private Optional<Peak> peak(double hz, double toleranceHz, double standsOut) {
        return SpectralPeaks.near(envelope, hz, toleranceHz)
                .filter(peak -> peak.standsOut() >= standsOut && peak.rms() >= least);
    }

    private Optional<Series> series(String defect) {
        double turned = shaft / known("shaft");
        double expected = known(defect) * turned;
        double line = envelope.stepHz();
        Optional<Peak> first = expected < LEAST_APART * line
                ? Optional.empty()
                : peak(expected, Math.max(SLIP * expected, LINES * line), FIRST_STANDS_OUT);
        if (first.isEmpty()) {
            return Optional.empty();
        }
        List<Peak> peaks = new ArrayList<>(List.of(first.get()));
        double base = first.get().hz();
        double weight = 1;
        for (int n = 2; n <= MOST_HARMONICS; n++) {
            Optional<Peak> harmonic = peak(n * base, LINES * line, OTHERS_STAND_OUT);
            if (harmonic.isEmpty()) {
                break;
            }
            peaks.add(harmonic.get());
            // Least squares over what was found: the higher ones tell the base more sharply.
            base = (base * weight + n * harmonic.get().hz()) / (weight + n * n);
            weight += n * n;
        }
        boolean isBesideExpected = Math.abs(base - expected) > Math.max(SLIP * expected, LINES * line);
        if (peaks.size() < LEAST_HARMONICS || isBesideExpected || isOfSomethingElse(base, peaks.size(), turned)) {
            return Optional.empty();
        }
        return Optional.of(said(defect, peaks));
    }

    /** Whether the lines cannot tell it from multiples of another frequency. */
    private boolean isOfSomethingElse(double base, int harmonics, double turned) {
        double told = 0.6 * envelope.stepHz() / harmonics;
        // The shaft's own frequency is known to a twentieth of a line.
        double unsure = 0.05 * envelope.stepHz();
        return isMultiple(base, shaft, told + unsure * Math.max(1, Math.rint(base / shaft)))
                || TURNING.stream()
                        .filter(known::containsKey)
                        .anyMatch(other -> isMultiple(base, known(other) * turned, told + unsure))
                || FIXED.stream().filter(known::containsKey).anyMatch(other -> isMultiple(base, known(other), told));
    }

    private static boolean isMultiple(double base, double other, double toleranceHz) {
        return Math.abs(base - Math.max(1, Math.rint(base / other)) * other) <= toleranceHz;
    }

    private Series said(String defect, List<Peak> peaks) {
        List<EvidenceMark> marks = new ArrayList<>();
        double clarity = 0;
        for (int n = 1; n <= peaks.size(); n++) {
            marks.add(new EvidenceMark(n + "×", peaks.get(n - 1).hz()));
            clarity += peaks.get(n - 1).standsOut();
        }
        boolean isElement = defect.equals("rolling element") && known.containsKey("cage");
        double apart = isElement ? known("cage") * shaft / known("shaft") : shaft;
        double first = peaks.get(0).hz();
        Optional<Peak> below = peak(first - apart, LINES * envelope.stepHz(), OTHERS_STAND_OUT);
        Optional<Peak> above = peak(first + apart, LINES * envelope.stepHz(), OTHERS_STAND_OUT);
        String sides = "none";
        if (below.isPresent() && above.isPresent()) {
            marks.add(new EvidenceMark("−1", below.get().hz()));
            marks.add(new EvidenceMark("+1", above.get().hz()));
            sides = isElement ? "cage" : "shaft";
        }
        return new Series(
                Sentence.of(
                        "vibration.bearingDefect",
                        "defect",
                        defect.replace(' ', '_'),
                        "hz",
                        first,
                        "harmonics",
                        peaks.size(),
                        "sides",
                        sides),
                marks,
                clarity);
    }

    /** @throws NullPointerException where the nameplate does not tell; it was asked for before */
    private double known(String frequency) {
        return requireNonNull(known.get(frequency), frequency);
    }
}
