package rovek.core.reading;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import rovek.core.wording.Sentence;

/**
 * Where a reading belongs that no stop asked for. Each check is weighed by what was typed on the instrument, by what
 * was measured there shortly before and after, and by how well the value fits the check's history. The weights add up
 * like the logarithms of odds, and the certainties are their shares of the whole, in which "none of these" has a share
 * too; so they add up to less than 1, and a check that is likely beside another that is as likely is certain to less
 * than a half.
 */
public final class Placing {

    private static final Duration NEAR = Duration.ofMinutes(10);
    private static final double USUAL = 2;
    private static final double UNUSUAL = 4;

    private static final String BETWEEN_TWO = "reading.betweenTwo";

    private static final double NONE_OF_THESE = 1.5;
    private static final double TAG = 3.5;
    private static final double NAME = 2.0;
    private static final double POINT = 2.5;
    private static final double BETWEEN = 2.0;
    private static final double BESIDE = 1.0;
    private static final double FITS = 1.0;
    private static final double DOES_NOT_FIT = -2.0;
    private static final double OTHER_RESULT = -2.5;
    private static final double MEASURED_ALREADY = -1.0;
    private static final double ELSEWHERE = -3.0;

    private Placing() {}

    /**
     * A reading without a place.
     *
     * @param label as typed on the instrument; may be blank
     * @param result id of its leading result; blank where it has none
     * @param value of that result
     */
    public record Loose(String label, Instant at, String result, OptionalDouble value) {}

    /**
     * A check it may belong to.
     *
     * @param isElsewhere whether it stands at another site than all that was measured on the visit
     * @param measuredThere when other readings of the same visit were taken at the same asset
     * @param isMeasured whether the check has a reading of that visit already
     * @param result id of its leading result
     * @param history earlier values of that result, in any order
     */
    public record Candidate(
            UUID check,
            String tag,
            String assetName,
            String point,
            boolean isElsewhere,
            List<Instant> measuredThere,
            boolean isMeasured,
            String result,
            double[] history) {}

    /**
     * A place it may have.
     *
     * @param certainty 0 to 1
     * @param reasons in a few words each, the weightiest first
     */
    public record Proposal(UUID check, double certainty, List<Sentence> reasons) {}

    /** The likeliest first; a check for which nothing speaks is left out. */
    public static List<Proposal> rank(Loose loose, List<Candidate> candidates) {
        TypedLabel label = TypedLabel.of(loose.label());
        List<Weighed> weighed = candidates.stream()
                .map(candidate -> weigh(loose, label, candidate))
                .toList();
        double whole = Math.exp(NONE_OF_THESE)
                + weighed.stream().mapToDouble(one -> Math.exp(one.weight())).sum();
        return weighed.stream()
                .filter(one -> one.isSpokenFor() && one.weight() > 0)
                .sorted(Comparator.comparingDouble(Weighed::weight).reversed())
                .map(one -> new Proposal(one.check(), Math.exp(one.weight()) / whole, one.reasons()))
                .toList();
    }

    /** @param isSpokenFor whether more than the mere value speaks for it: many machines run alike */
    private record Weighed(UUID check, double weight, boolean isSpokenFor, List<Sentence> reasons) {}

    private static Weighed weigh(Loose loose, TypedLabel label, Candidate candidate) {
        List<Sentence> reasons = new ArrayList<>();
        double weight = 0;
        if (label.names(candidate.tag())) {
            weight += TAG;
            reasons.add(Sentence.of("reading.tagTyped", "tag", candidate.tag()));
        } else if (label.says(candidate.assetName())) {
            weight += NAME;
            reasons.add(Sentence.of("reading.nameTyped"));
        }
        Optional<Sentence> around = around(loose.at(), candidate.measuredThere());
        if (around.isPresent()) {
            weight += around.get().key().equals(BETWEEN_TWO) ? BETWEEN : BESIDE;
            reasons.add(around.get());
        }
        boolean isSpokenFor = weight > 0;
        if (isSpokenFor && label.saysPoint(candidate.point())) {
            weight += POINT;
            reasons.add(Sentence.of("reading.pointTyped"));
        }
        if (candidate.isElsewhere()) {
            weight += ELSEWHERE;
            reasons.add(Sentence.of("reading.otherSite"));
        }
        if (candidate.isMeasured()) {
            weight += MEASURED_ALREADY;
            reasons.add(Sentence.of("reading.measuredAlready"));
        }
        if (!candidate.result().equals(loose.result())) {
            return new Weighed(candidate.check(), weight + OTHER_RESULT, isSpokenFor, reasons);
        }
        OptionalDouble distance = loose.value().isPresent()
                ? Usual.distance(loose.value().getAsDouble(), candidate.history())
                : OptionalDouble.empty();
        if (distance.isPresent() && distance.getAsDouble() <= USUAL) {
            weight += FITS;
            reasons.add(Sentence.of("reading.usualThere"));
        } else if (distance.isPresent() && distance.getAsDouble() > UNUSUAL) {
            weight += DOES_NOT_FIT;
            reasons.add(Sentence.of("reading.unusualThere"));
        }
        return new Weighed(candidate.check(), weight, isSpokenFor, reasons);
    }

    private static Optional<Sentence> around(Instant at, List<Instant> there) {
        Optional<Duration> before = there.stream()
                .filter(other -> !other.isAfter(at))
                .map(other -> Duration.between(other, at))
                .min(Comparator.naturalOrder());
        Optional<Duration> after = there.stream()
                .filter(other -> other.isAfter(at))
                .map(other -> Duration.between(at, other))
                .min(Comparator.naturalOrder());
        boolean isJustAfter = before.filter(gap -> gap.compareTo(NEAR) <= 0).isPresent();
        boolean isJustBefore = after.filter(gap -> gap.compareTo(NEAR) <= 0).isPresent();
        if (isJustAfter && isJustBefore) {
            return Optional.of(Sentence.of(BETWEEN_TWO));
        }
        if (isJustAfter) {
            return Optional.of(
                    Sentence.of("reading.afterOne", "minutes", before.get().toMinutes()));
        }
        return isJustBefore
                ? Optional.of(
                        Sentence.of("reading.beforeOne", "minutes", after.get().toMinutes()))
                : Optional.empty();
    }

    /**
     * A reading where it was placed.
     *
     * @param result id of its leading result
     * @param history earlier values of the check it is on
     */
    public record Placed(UUID reading, String result, double value, double[] history) {}

    /** Two readings that each fit badly where they are and well where the other is. */
    public record Swap(UUID one, UUID other) {}

    /** Pairs of readings that were perhaps swapped; each reading is in one pair at most. */
    public static List<Swap> perhapsSwapped(List<Placed> placed) {
        List<Placed> strange = placed.stream()
                .filter(one -> isBeyond(one.value(), one.history(), UNUSUAL))
                .toList();
        List<Swap> swaps = new ArrayList<>();
        Set<UUID> paired = new TreeSet<>();
        for (int i = 0; i < strange.size(); i++) {
            for (int j = i + 1; j < strange.size(); j++) {
                Placed one = strange.get(i);
                Placed other = strange.get(j);
                boolean fitsCrosswise = one.result().equals(other.result())
                        && isWithin(one.value(), other.history())
                        && isWithin(other.value(), one.history());
                if (fitsCrosswise && !paired.contains(one.reading()) && !paired.contains(other.reading())) {
                    swaps.add(new Swap(one.reading(), other.reading()));
                    paired.add(one.reading());
                    paired.add(other.reading());
                }
            }
        }
        return swaps;
    }

    private static boolean isBeyond(double value, double[] history, double spreads) {
        OptionalDouble distance = Usual.distance(value, history);
        return distance.isPresent() && distance.getAsDouble() > spreads;
    }

    private static boolean isWithin(double value, double[] history) {
        OptionalDouble distance = Usual.distance(value, history);
        return distance.isPresent() && distance.getAsDouble() <= USUAL;
    }
}
