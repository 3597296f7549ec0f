package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.IntStream;
import rovek.core.reading.TableCapture;
import rovek.core.technique.ChannelLimits;
import rovek.core.technique.Curve;
import rovek.core.technique.run.Pauses;
import rovek.core.trend.MinMaxDecimation;
import tools.jackson.databind.annotation.JsonSerialize;

/**
 * The channels of a run over one axis of time.
 *
 * @param seconds since the run began, rising; where the logger paused with a row of nothing between
 * @param rows how many there are of all; more than are told where they are very many, thinned so that no spike of any
 *     channel is lost
 */
public record RunView(double[] seconds, List<RunChannel> channels, List<RunMarker> markers, int rows) {

    /**
     * One channel.
     *
     * @param values one for each place on the axis, null where nothing was measured
     * @param low between which it should stay, null where there is no such limit; likewise {@code high}
     */
    public record RunChannel(
            String name,
            String unit,
            @JsonSerialize(using = GapsAsNull.class) float[] values,
            @Nullable Double low,
            @Nullable Double high) {}

    /** A moment that was marked. */
    public record RunMarker(double atSeconds, String text) {}

    private static final int MOST_ROWS = 120_000;
    private static final int PAUSE = -1;

    static RunView of(List<Curve.Run> channels, TableCapture capture) {
        double[] seconds = channels.get(0).seconds();
        int[] kept = withPauses(kept(channels, seconds.length), Pauses.behind(seconds));
        double[] shown = new double[kept.length];
        for (int i = 0; i < kept.length; i++) {
            shown[i] = kept[i] == PAUSE ? (seconds[kept[i - 1]] + seconds[kept[i + 1]]) / 2 : seconds[kept[i]];
        }
        return new RunView(
                shown,
                channels.stream().map(channel -> channel(channel, kept)).toList(),
                capture.markers().stream()
                        .map(marker -> new RunMarker(marker.atSeconds(), marker.text()))
                        .toList(),
                seconds.length);
    }

    /** Where the logger paused a row of nothing is put in, so that no line is drawn across. */
    private static int[] withPauses(int[] kept, boolean[] isPause) {
        IntStream.Builder rows = IntStream.builder();
        for (int i = 0; i < kept.length; i++) {
            boolean isBehindPause =
                    i > 0 && IntStream.range(kept[i - 1], kept[i]).anyMatch(row -> isPause[row]);
            if (isBehindPause) {
                rows.add(PAUSE);
            }
            rows.add(kept[i]);
        }
        return rows.build().toArray();
    }

    private static int[] kept(List<Curve.Run> channels, int rows) {
        if (rows <= MOST_ROWS) {
            return IntStream.range(0, rows).toArray();
        }
        TreeSet<Integer> kept = new TreeSet<>();
        for (Curve.Run channel : channels) {
            // A gap is no extreme: it takes the value before it, the first one that behind it, and stays a gap where it
            // is kept.
            double[] filled = channel.values().clone();
            double before =
                    Arrays.stream(filled).filter(Double::isFinite).findFirst().orElse(0);
            for (int i = 0; i < rows; i++) {
                filled[i] = Double.isFinite(filled[i]) ? filled[i] : before;
                before = filled[i];
            }
            Arrays.stream(MinMaxDecimation.keep(filled, MOST_ROWS / channels.size()))
                    .forEach(kept::add);
        }
        return kept.stream().mapToInt(Integer::intValue).toArray();
    }

    private static RunChannel channel(Curve.Run run, int[] kept) {
        float[] values = new float[kept.length];
        for (int i = 0; i < kept.length; i++) {
            values[i] = kept[i] == PAUSE ? Float.NaN : (float) run.values()[kept[i]];
        }
        ChannelLimits limits = run.limits();
        return new RunChannel(run.id(), run.unit(), values, end(limits.low()), end(limits.high()));
    }

    private static @Nullable Double end(double end) {
        return Double.isInfinite(end) ? null : end;
    }
}
