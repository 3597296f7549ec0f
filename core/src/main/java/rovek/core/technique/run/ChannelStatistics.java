package rovek.core.technique.run;

import java.util.List;
import java.util.Optional;
import rovek.core.technique.ChannelLimits;
import rovek.core.technique.run.Segments.Segment;

/**
 * What a channel did over a period: exact least and largest sample, the mean over time, and how long it was outside its
 * limits.
 *
 * <p>The mean is the integral of the straight lines between samples over the time they cover (trapezoidal rule), so
 * that samples taken quickly count no more than slow ones; gaps and pauses count nothing. Where no two samples of the
 * period belong together, it is the mean of the samples.
 *
 * @param samples measured within the period, both its ends included; at least one
 * @param least in the channel's unit, {@code leastAtSeconds} since the run began; likewise the largest
 * @param mean in the channel's unit
 * @param coveredSeconds of the period in which the channel is known
 * @param outsideSeconds of those, with the channel past a limit
 * @param excursions how often it was
 */
public record ChannelStatistics(
        int samples,
        double least,
        double leastAtSeconds,
        double largest,
        double largestAtSeconds,
        double mean,
        double coveredSeconds,
        double outsideSeconds,
        int excursions) {

    /**
     * @param seconds of the samples, rising
     * @param values one each, NaN where nothing was measured
     * @return empty where nothing was measured in the period
     */
    public static Optional<ChannelStatistics> of(
            double[] seconds, double[] values, ChannelLimits limits, double fromSeconds, double toSeconds) {
        int samples = 0;
        int least = -1;
        int largest = -1;
        double sum = 0;
        for (int i = 0; i < values.length; i++) {
            if (Double.isFinite(values[i]) && seconds[i] >= fromSeconds && seconds[i] <= toSeconds) {
                samples++;
                sum += values[i];
                least = least < 0 || values[i] < values[least] ? i : least;
                largest = largest < 0 || values[i] > values[largest] ? i : largest;
            }
        }
        if (samples == 0) {
            return Optional.empty();
        }
        List<Segment> segments = Segments.of(seconds, values).stream()
                .filter(segment -> segment.toSeconds() > fromSeconds && segment.fromSeconds() < toSeconds)
                .map(segment -> segment.within(fromSeconds, toSeconds))
                .toList();
        double covered = segments.stream().mapToDouble(Segment::seconds).sum();
        double integral = segments.stream()
                .mapToDouble(segment -> segment.seconds() * (segment.first() + segment.last()) / 2)
                .sum();
        List<Excursions.Excursion> outside = Excursions.of(segments, limits);
        return Optional.of(new ChannelStatistics(
                samples,
                values[least],
                seconds[least],
                values[largest],
                seconds[largest],
                covered > 0 ? integral / covered : sum / samples,
                covered,
                Excursions.seconds(outside),
                outside.size()));
    }
}
