package rovek.fieldsim;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TableCapture.Column;
import rovek.core.reading.TableCapture.Numbers;
import rovek.link.packet.SetupPackage;

/** What a logger records that has lain in the plant: the channels of its set-up, day in, day out. */
final class SimulatedRun {

    private static final double SECONDS_A_DAY = 86_400;
    private static final int MOST_ROWS = 20_000;

    private final SimulatedPlant plant;

    SimulatedRun(SimulatedPlant plant) {
        this.plant = plant;
    }

    /** A channel as its set-up describes it. */
    record Channel(String name, String unit, double low, double high) {

        double valueAt(Instant at, Random random) {
            double day = (at.getEpochSecond() % SECONDS_A_DAY) / SECONDS_A_DAY;
            double phase = Math.abs(name.hashCode() % 100) / 100.0;
            double share = 0.55
                    + 0.2 * Math.sin(2 * Math.PI * (day + phase))
                    + 0.05 * Math.sin(2 * Math.PI * (12 * day + phase))
                    + 0.01 * random.nextGaussian();
            return Math.round((low + (high - low) * share) * 1000) / 1000.0;
        }
    }

    static List<Channel> channels(Optional<SetupPackage> setup) {
        List<Channel> channels = new ArrayList<>();
        setup.ifPresent(held -> held.content().rows().forEach(row -> channels.add(channel(row))));
        if (channels.isEmpty()) {
            channels.add(new Channel("channel 1", "mA", 4, 20));
            channels.add(new Channel("channel 2", "°C", 0, 40));
        }
        return channels;
    }

    private static Channel channel(Map<String, String> row) {
        boolean isTemperature = !row.containsKey("low");
        return new Channel(
                row.get("name"),
                isTemperature ? "°C" : row.getOrDefault("unit", ""),
                isTemperature ? 8 : Double.parseDouble(row.get("low")),
                isTemperature ? 26 : Double.parseDouble(row.get("high")));
    }

    /** A run that ends now and lasted as long as the set-up says, a day at most. */
    TableCapture of(Sensing.Task task) {
        Map<String, String> values =
                task.setup().map(setup -> setup.content().values()).orElse(Map.of());
        double interval = Double.parseDouble(values.getOrDefault("intervalSeconds", "60"));
        Duration lasts =
                Duration.ofSeconds((long) (60 * Double.parseDouble(values.getOrDefault("stopAfterMinutes", "1440"))));
        int rows = (int) Math.max(2, Math.min(MOST_ROWS, lasts.toSeconds() / interval + 1));
        Random random = plant.random(task.place(), task.at(), task.count());
        Instant began = task.at().minusMillis(Math.round((rows - 1) * interval * 1000));
        double[] time = new double[rows];
        List<Channel> channels = channels(task.setup());
        double[][] recorded = new double[channels.size()][rows];
        for (int row = 0; row < rows; row++) {
            time[row] = row * interval;
            Instant at = began.plusMillis(Math.round(time[row] * 1000));
            for (int c = 0; c < channels.size(); c++) {
                recorded[c][row] = channels.get(c).valueAt(at, random);
            }
        }
        List<Column> columns = new ArrayList<>(List.of(new Numbers(TableCapture.TIME, "s", time)));
        for (int c = 0; c < channels.size(); c++) {
            columns.add(new Numbers(channels.get(c).name(), channels.get(c).unit(), recorded[c]));
        }
        return new TableCapture(columns, List.of(new TableCapture.Marker(time[rows / 2], "pump changed over")));
    }
}
