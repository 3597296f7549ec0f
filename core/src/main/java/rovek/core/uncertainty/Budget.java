package rovek.core.uncertainty;

import java.util.List;
import java.util.Optional;
import rovek.core.trend.Distributions;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * An uncertainty budget after JCGM 100:2008: independent contributions, added in squares.
 *
 * @param contributions at least one, in the order of their lines
 */
public record Budget(List<Contribution> contributions) {

    /** Of a normal distribution within two standard deviations: what k = 2 covers when all is known for certain. */
    public static final double COVERED = 0.9545;

    /** A budget is read by people. */
    public static final int MOST = 50;

    /** @throws Refused for no line or more than {@link #MOST} */
    public Budget {
        contributions = List.copyOf(contributions);
        if (contributions.isEmpty() || contributions.size() > MOST) {
            throw new Refused(Sentence.of("uncertainty.lines", "most", MOST));
        }
    }

    /** Combined standard uncertainty, in the result's unit (5.1.2). */
    public double standard() {
        double combined = 0;
        for (Contribution one : contributions) {
            combined = Math.hypot(combined, one.ofResult());
        }
        return combined;
    }

    /**
     * Effective degrees of freedom by Welch and Satterthwaite (G.4.1), cut to the whole number; infinite where every
     * line that weighs anything is certain.
     */
    public double freedom() {
        double combined = standard();
        double sum = 0;
        for (Contribution one : contributions) {
            double share = combined == 0 ? 0 : one.ofResult() / combined;
            sum += share * share * share * share / one.freedom();
        }
        // What is a whole number but for the last binary digit must not lose one.
        return sum == 0 ? Double.POSITIVE_INFINITY : Math.floor(1 / sum * (1 + 1e-12));
    }

    /** The factor k that covers {@link #COVERED} of Student's t with the effective degrees of freedom (G.3.2). */
    public double coverage() {
        return Distributions.studentAbove((1 - COVERED) / 2, freedom());
    }

    /** Expanded uncertainty U = k u, in the result's unit. */
    public double expanded() {
        return coverage() * standard();
    }

    /** What share of the combined variance a line has, 0 to 1; 0 where nothing is uncertain. */
    public double share(Contribution line) {
        double combined = standard();
        double share = combined == 0 ? 0 : line.ofResult() / combined;
        return share * share;
    }

    /** The line that weighs most, the first of equals; empty where nothing is uncertain. */
    public Optional<Contribution> dominating() {
        return contributions.stream()
                .filter(one -> one.ofResult() > 0)
                .reduce((most, one) -> one.ofResult() > most.ofResult() ? one : most);
    }
}
