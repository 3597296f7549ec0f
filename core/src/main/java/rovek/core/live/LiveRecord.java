package rovek.core.live;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TableCapture.Column;
import rovek.core.reading.TableCapture.Marker;
import rovek.core.reading.TableCapture.Numbers;

/** What was recorded while it was watched, as a run. */
public final class LiveRecord {

    private LiveRecord() {}

    /** A moment that somebody marked. */
    public record Mark(Instant at, String text) {}

    /**
     * @param samples in any order; of two at the same millisecond the first counts
     * @throws IllegalArgumentException where nothing was recorded
     */
    public static TableCapture of(List<LiveChannel> channels, List<LiveSample> samples, List<Mark> marks) {
        if (samples.isEmpty()) {
            throw new IllegalArgumentException("Nothing was recorded.");
        }
        List<LiveSample> inOrder =
                samples.stream().sorted(Comparator.comparing(LiveSample::at)).toList();
        Instant began = inOrder.get(0).at();
        List<LiveSample> rising = new ArrayList<>();
        for (LiveSample sample : inOrder) {
            if (rising.isEmpty()
                    || millis(began, sample.at())
                            > millis(began, rising.get(rising.size() - 1).at())) {
                rising.add(sample);
            }
        }
        List<Column> columns = new ArrayList<>();
        columns.add(new Numbers(
                TableCapture.TIME,
                "s",
                rising.stream()
                        .mapToDouble(sample -> millis(began, sample.at()) / 1000.0)
                        .toArray()));
        Set<String> names = new HashSet<>(Set.of(TableCapture.TIME));
        for (int i = 0; i < channels.size(); i++) {
            int channel = i;
            columns.add(new Numbers(
                    ownName(channels.get(i).name(), names),
                    channels.get(i).unit(),
                    rising.stream()
                            .mapToDouble(sample -> sample.values()[channel])
                            .toArray()));
        }
        return new TableCapture(
                columns,
                marks.stream()
                        .sorted(Comparator.comparing(Mark::at))
                        .map(mark -> new Marker(millis(began, mark.at()) / 1000.0, mark.text()))
                        .toList());
    }

    /** Instruments may call two channels the same. */
    private static String ownName(String name, Set<String> taken) {
        String own = name;
        for (int n = 2; !taken.add(own); n++) {
            own = name + " " + n;
        }
        return own;
    }

    private static long millis(Instant from, Instant to) {
        return Duration.between(from, to).toMillis();
    }
}
