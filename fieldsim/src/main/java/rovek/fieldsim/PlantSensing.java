package rovek.fieldsim;

import java.util.List;
import java.util.OptionalDouble;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Sentence;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;

/** Senses the simulated plant with every technique that the stand-ins have. */
final class PlantSensing implements Sensing {

    private static final int BYTES_OF_A_SMALL_CAPTURE = 40_000;
    private static final int BYTES_A_SAMPLE = 4;

    private final SimulatedPlant plant;
    private final SimulatedElectrics electrics;
    private final SimulatedRun run;
    private final SimulatedScreen screen = new SimulatedScreen();

    PlantSensing(SimulatedPlant plant) {
        this.plant = plant;
        this.electrics = new SimulatedElectrics(plant);
        this.run = new SimulatedRun(plant);
    }

    @Override
    public long bytes(Task task) {
        return task.technique().equals("vibration") ? (long) samples(task) * BYTES_A_SAMPLE : BYTES_OF_A_SMALL_CAPTURE;
    }

    @Override
    public Sensed sense(Task task) {
        return switch (task.technique()) {
            case "vibration" -> alone(waveform(task));
            case "loop" -> alone(new PackedCapture.Plain(electrics.loop(task)));
            case "sheet" -> alone(new PackedCapture.Plain(electrics.parameters(task)));
            case "battery" -> alone(new PackedCapture.Plain(electrics.cells(task)));
            case "codes" -> alone(new PackedCapture.Plain(electrics.faultCodes(task)));
            case "gauge" -> alone(new PackedCapture.Plain(electrics.gauge(task)));
            case "run" -> alone(new PackedCapture.Plain(run.of(task)));
            case "leak" ->
                new Sensed(
                        new PackedCapture.Plain(electrics.leak(task)),
                        List.of(screen.photo("Leak at " + task.place().assetTag())));
            case "screen" ->
                alone(new PackedCapture.Plain(screen.screen(task.place().assetTag() + " " + task.at())));
            default ->
                throw new HandheldException(Sentence.of("handheld.doesNotMeasure", "technique", task.technique()));
        };
    }

    private static Sensed alone(PackedCapture capture) {
        return new Sensed(capture, List.of());
    }

    private static int samples(Task task) {
        return (int) Math.round(Integer.parseInt(task.settings().getOrDefault("lines", "6400")) * 2.56);
    }

    private PackedCapture waveform(Task task) {
        double sensitivity = Double.parseDouble(task.settings().getOrDefault("sensitivityMvPerG", "100"));
        int rate = (int) Double.parseDouble(task.settings().getOrDefault("rateHz", "25600"));
        if (task.place().point().isBlank() && task.place().assetTag().isBlank()) {
            // The sensor hangs in the air: nothing but the converter's offset.
            float[] still = new float[samples(task)];
            java.util.Arrays.fill(still, SimulatedPlant.OFFSET_VOLTS);
            return waveform(still, rate, sensitivity);
        }
        float[] volts = plant.measure(task.place(), task.at(), task.count(), samples(task), rate, sensitivity);
        return waveform(volts, rate, sensitivity);
    }

    private static PackedCapture waveform(float[] volts, int rate, double sensitivity) {
        return new PackedReading.Waveform(
                volts,
                rate,
                UnitCatalogue.VOLT,
                1,
                OptionalDouble.of(sensitivity),
                OptionalDouble.of(SimulatedPlant.FULL_SCALE_VOLTS));
    }
}
