package rovek.core.technique.vibration;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import rovek.core.signal.Band;
import rovek.core.signal.SpectralPeaks;
import rovek.core.signal.SpectralPeaks.Peak;
import rovek.core.signal.Spectrum;
import rovek.core.technique.Characteristic;
import rovek.core.technique.Finding;
import rovek.core.technique.Finding.EvidenceMark;

/**
 * The few things that spectra can justify of a machine whose frequencies are known, each with the lines it is seen by. After the
 * usual signs: unbalance at shaft speed, misalignment at twice that, looseness in many multiples (ISO 13373-3), bearing
 * damage in the envelope at its defect frequency and multiples, with side bands at shaft or cage speed (ISO 13373-2).
 */
final class Diagnosis {

    /** The nameplate's speed is that under load, roughly. */
    private static final double SPEED_TOLERANCE = 0.03;

    /** Rolling elements slip: a defect shows a little beside where the geometry puts it. */
    private static final double SLIP = 0.015;

    /** A line that is to mean something stands so far out of its neighbours. */
    private static final double STANDS_OUT = 4;

    private static final double SIDE_STANDS_OUT = 3;
    private static final int MOST_HARMONICS = 6;
    private static final int LEAST_HARMONICS = 2;
    private static final double MOST_OF_IT = 0.6;
    private static final double MUCH_AT_TWICE = 0.5;
    private static final int LOOSE_HARMONICS = 4;
    private static final double LOOSE_SHARE = 0.1;

    private static final Map<String, String> DEFECTS = Map.of(
            "outer race", "Outer-race", "inner race", "Inner-race", "rolling element", "Rolling-element", "cage", "Cage");

    private final Spectrum velocity;
    private final String velocityCurve;
    private final Spectrum envelope;
    private final String envelopeCurve;
    private final Map<String, Double> known;
    private final Band band;
    private final List<Finding> findings = new ArrayList<>();

    private Diagnosis(Spectrum velocity, String velocityCurve, Spectrum envelope, String envelopeCurve, Map<String, Double> known, Band band) {
        this.velocity = velocity;
        this.velocityCurve = velocityCurve;
        this.envelope = envelope;
        this.envelopeCurve = envelopeCurve;
        this.known = known;
        this.band = band;
    }

    /**
     * @param velocity mm/s RMS; {@code velocityCurve} is what it is shown as
     * @param envelope m/s² RMS; likewise {@code envelopeCurve}
     * @param characteristics the machine's frequencies; nothing is found without its shaft speed
     * @param band where the velocity is taken
     */
    static List<Finding> of(
            Spectrum velocity, String velocityCurve, Spectrum envelope, String envelopeCurve, List<Characteristic> characteristics, Band band) {
        Map<String, Double> known = new HashMap<>();
        characteristics.forEach(one -> known.put(one.name(), one.value().value()));
        if (!known.containsKey("shaft")) {
            return List.of();
        }
        Diagnosis diagnosis = new Diagnosis(velocity, velocityCurve, envelope, envelopeCurve, known, band);
        double shaft = diagnosis.shaft();
        diagnosis.bearing(shaft);
        diagnosis.turning(shaft);
        diagnosis.meshing("gear mesh", "Gear-mesh", shaft);
        diagnosis.meshing("blade pass", "Blade-pass", shaft);
        return diagnosis.findings;
    }

    /** As it turned, near what the nameplate says. */
    private double shaft() {
        double plate = known.get("shaft");
        Peak peak = SpectralPeaks.near(velocity, plate, Math.max(SPEED_TOLERANCE * plate, velocity.stepHz()));
        return peak.standsOut() >= STANDS_OUT ? peak.hz() : plate;
    }

    private double tolerance(Spectrum spectrum, double hz, double share) {
        return Math.max(share * hz, 1.2 * spectrum.stepHz());
    }

    private Peak at(Spectrum spectrum, double hz, double share) {
        return SpectralPeaks.near(spectrum, hz, tolerance(spectrum, hz, share));
    }

    private void turning(double shaft) {
        Peak once = at(velocity, shaft, 0);
        Peak twice = at(velocity, 2 * shaft, 0);
        double all = velocity.bandRms(band);
        if (all == 0 || once.standsOut() < STANDS_OUT) {
            return;
        }
        double share = Math.min(1, once.rms() * once.rms() / (all * all));
        boolean isMuchAtTwice = twice.rms() >= MUCH_AT_TWICE * once.rms() && twice.standsOut() >= STANDS_OUT;
        List<EvidenceMark> multiples = new ArrayList<>();
        for (int n = 3; n <= 2 + MOST_HARMONICS; n++) {
            Peak multiple = at(velocity, n * shaft, 0);
            if (multiple.standsOut() >= STANDS_OUT && multiple.rms() >= LOOSE_SHARE * once.rms()) {
                multiples.add(new EvidenceMark(n + "×", multiple.hz()));
            }
        }
        if (multiples.size() >= LOOSE_HARMONICS) {
            multiples.add(0, new EvidenceMark("1×", once.hz()));
            add("looseness", "Shaft speed with %d multiples above the second: as with looseness.".formatted(multiples.size() - 1), velocityCurve, multiples);
        } else if (isMuchAtTwice) {
            add("misalignment", String.format(Locale.ROOT, "Twice shaft speed is %.0f %% of shaft speed: as with misalignment.", 100 * twice.rms() / once.rms()),
                    velocityCurve, List.of(new EvidenceMark("1×", once.hz()), new EvidenceMark("2×", twice.hz())));
        } else if (share >= MOST_OF_IT) {
            add("unbalance", String.format(Locale.ROOT, "%.0f %% of the velocity's power is at shaft speed: as with unbalance.", 100 * share),
                    velocityCurve, List.of(new EvidenceMark("1×", once.hz())));
        }
    }

    /** The clearest defect alone: multiples of one may fall on another's. */
    private void bearing(double shaft) {
        DEFECTS.keySet().stream()
                .filter(known::containsKey)
                .flatMap(defect -> series(defect, shaft).stream())
                .max(Comparator.comparingDouble(Series::clarity))
                .ifPresent(series -> add("bearing", series.sentence(), envelopeCurve, series.marks()));
    }

    private record Series(String sentence, List<EvidenceMark> marks, double clarity) {}

    private Optional<Series> series(String defect, double shaft) {
        double expected = known.get(defect) * shaft / known.get("shaft");
        Peak first = at(envelope, expected, SLIP);
        if (first.standsOut() < STANDS_OUT) {
            return Optional.empty();
        }
        List<EvidenceMark> marks = new ArrayList<>(List.of(new EvidenceMark("1×", first.hz())));
        double clarity = first.standsOut();
        for (int n = 2; n <= MOST_HARMONICS; n++) {
            Peak harmonic = at(envelope, n * first.hz(), 0);
            if (harmonic.standsOut() < SIDE_STANDS_OUT) {
                break;
            }
            marks.add(new EvidenceMark(n + "×", harmonic.hz()));
            clarity += harmonic.standsOut();
        }
        if (marks.size() < LEAST_HARMONICS) {
            return Optional.empty();
        }
        int harmonics = marks.size();
        boolean hasSides = addSides(marks, first.hz(), defect.equals("rolling element") && known.containsKey("cage") ? known.get("cage") : shaft);
        String sides = !hasSides ? "" : defect.equals("rolling element") ? "; side bands at cage speed" : "; side bands at shaft speed";
        return Optional.of(new Series(
                String.format(Locale.ROOT, "%s defect frequency, %.1f Hz, with %d harmonics%s.", DEFECTS.get(defect), first.hz(), harmonics, sides), marks, clarity));
    }

    private boolean addSides(List<EvidenceMark> marks, double centre, double apart) {
        Peak below = at(envelope, centre - apart, 0);
        Peak above = at(envelope, centre + apart, 0);
        boolean both = below.standsOut() >= SIDE_STANDS_OUT && above.standsOut() >= SIDE_STANDS_OUT;
        if (both) {
            marks.add(new EvidenceMark("−1", below.hz()));
            marks.add(new EvidenceMark("+1", above.hz()));
        }
        return both;
    }

    private void meshing(String which, String said, double shaft) {
        if (!known.containsKey(which)) {
            return;
        }
        double expected = known.get(which) * shaft / known.get("shaft");
        Peak peak = at(velocity, expected, 0);
        Peak below = at(velocity, expected - shaft, 0);
        Peak above = at(velocity, expected + shaft, 0);
        boolean hasSides = below.standsOut() >= SIDE_STANDS_OUT && above.standsOut() >= SIDE_STANDS_OUT;
        if (peak.standsOut() >= STANDS_OUT && hasSides) {
            add(which.replace(' ', '-'), String.format(Locale.ROOT, "%s frequency, %.1f Hz, with side bands at shaft speed.", said, peak.hz()), "Velocity",
                    List.of(new EvidenceMark("−1", below.hz()), new EvidenceMark(which, peak.hz()), new EvidenceMark("+1", above.hz())));
        }
    }

    private void add(String code, String sentence, String curve, List<EvidenceMark> evidence) {
        findings.add(new Finding(code, sentence, curve, evidence));
    }
}
