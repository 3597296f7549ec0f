package rovek.fieldsim;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TableCapture.Numbers;
import rovek.core.reading.TableCapture.Words;
import rovek.core.reading.TextCapture;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;

/** Loops, transmitters, cells, leaks and controllers of the simulated plant, and how they age. */
final class SimulatedElectrics {

    /** The transmitter that drifts, and how far in a month, in % of span. */
    private static final String DRIFTING = "PT-221";

    private static final double DRIFT_PER_MONTH = 0.045;
    private static final int CELLS = 48;
    private static final List<Integer> FAILING = List.of(17, 31);
    private static final double[] LOOP_POINTS = {0, 25, 50, 75, 100, 75, 50, 25, 0};

    private final SimulatedPlant plant;

    SimulatedElectrics(SimulatedPlant plant) {
        this.plant = plant;
    }

    private static double rounded(double value, int decimals) {
        double scale = Math.pow(10, decimals);
        return Math.round(value * scale) / scale;
    }

    private double errorInPercent(Sensing.Task task) {
        return task.place().assetTag().equals(DRIFTING) ? 0.05 + DRIFT_PER_MONTH * plant.months(task.at()) : 0.03;
    }

    /** Up and down in nine points: what was applied, and what the loop gave, as found and as left. */
    TableCapture loop(Sensing.Task task) {
        Random random = plant.random(task.place(), task.at(), task.count());
        double error = errorInPercent(task);
        double[] applied = new double[LOOP_POINTS.length];
        double[] asFound = new double[LOOP_POINTS.length];
        double[] asLeft = new double[LOOP_POINTS.length];
        List<String> way = new ArrayList<>();
        for (int i = 0; i < LOOP_POINTS.length; i++) {
            double ideal = 4 + 0.16 * LOOP_POINTS[i];
            double hysteresis = i > LOOP_POINTS.length / 2 ? 0.02 : 0;
            applied[i] = rounded(LOOP_POINTS[i] + 0.002 * random.nextGaussian(), 3);
            asFound[i] = rounded(
                    ideal
                            + 0.16
                                    * (error * (0.4 + 0.6 * LOOP_POINTS[i] / 100)
                                            + hysteresis
                                            + 0.01 * random.nextGaussian()),
                    4);
            asLeft[i] = rounded(ideal + 0.16 * (0.02 * random.nextGaussian() + hysteresis), 4);
            way.add(i <= LOOP_POINTS.length / 2 ? "up" : "down");
        }
        return new TableCapture(
                List.of(
                        new Words("way", way),
                        new Numbers("applied", "%", applied),
                        new Numbers("as found", "mA", asFound),
                        new Numbers("as left", "mA", asLeft)),
                List.of());
    }

    /** What a transmitter says of itself. */
    TableCapture parameters(Sensing.Task task) {
        int number = Math.abs(task.place().key().hashCode() % 90_000) + 10_000;
        return new TableCapture(
                List.of(
                        new Words(
                                "parameter",
                                List.of(
                                        "tag",
                                        "serial",
                                        "lower range value",
                                        "upper range value",
                                        "unit",
                                        "damping",
                                        "transfer function",
                                        "alarm current",
                                        "device revision",
                                        "zero shift")),
                        new Words(
                                "value",
                                List.of(
                                        task.place().assetTag(),
                                        String.valueOf(number),
                                        "0",
                                        "10",
                                        "bar",
                                        "0.5",
                                        "linear",
                                        "21.6",
                                        "3",
                                        String.valueOf(rounded(errorInPercent(task), 3)))),
                        new Words("unit", List.of("", "", "bar", "bar", "", "s", "", "mA", "", "%"))),
                List.of());
    }

    /** Ohmic value, voltage and temperature of every cell; two of them fail slowly. */
    TableCapture cells(Sensing.Task task) {
        Random random = plant.random(task.place(), task.at(), task.count());
        Random build = new Random(task.place().key().hashCode());
        double months = plant.months(task.at());
        double[] number = new double[CELLS];
        double[] resistance = new double[CELLS];
        double[] voltage = new double[CELLS];
        double[] temperature = new double[CELLS];
        for (int i = 0; i < CELLS; i++) {
            double ageing = FAILING.contains(i + 1) ? 0.035 * months : 0.002 * months;
            number[i] = i + 1;
            resistance[i] = rounded(
                    0.62 * (1 + 0.03 * build.nextGaussian()) * (1 + ageing) * (1 + 0.004 * random.nextGaussian()), 3);
            voltage[i] = rounded(2.23 - 0.15 * ageing + 0.004 * random.nextGaussian(), 3);
            temperature[i] = rounded(22 + 1.5 * ageing + 0.2 * random.nextGaussian(), 1);
        }
        return new TableCapture(
                List.of(
                        new Numbers("cell", "", number),
                        new Numbers("resistance", "mΩ", resistance),
                        new Numbers("voltage", "V", voltage),
                        new Numbers("temperature", "°C", temperature)),
                List.of());
    }

    /** Sound level of a leak with what is needed to calculate its flow; a photo is taken along. */
    TableCapture leak(Sensing.Task task) {
        Random random = plant.random(task.place(), task.at(), task.count());
        double level = 38 + Math.abs(task.place().key().hashCode() % 25) + random.nextGaussian();
        return new TableCapture(
                List.of(
                        new Numbers("sound level", "dB", new double[] {rounded(level, 1)}),
                        new Numbers("distance", "m", new double[] {0.5}),
                        new Numbers("line pressure", "bar", new double[] {rounded(6.8 + 0.05 * random.nextGaussian(), 2)
                        })),
                List.of());
    }

    /** The stored codes of a vehicle or controller, as text. */
    TextCapture faultCodes(Sensing.Task task) {
        List<String> lines =
                new ArrayList<>(List.of("controller " + task.place().assetTag(), "read " + task.at()));
        List<String> known = List.of(
                "P0128 coolant temperature below regulating temperature",
                "P0562 system voltage low",
                "C1095 pump motor circuit",
                "U0100 lost communication");
        int set = Math.abs(task.place().key().hashCode());
        for (int i = 0; i < known.size(); i++) {
            if ((set >> i & 1) == 1) {
                lines.add(known.get(i));
            }
        }
        return new TextCapture(lines);
    }

    /** What a gauge shows, in the unit of its quantity. */
    ValueCapture gauge(Sensing.Task task) {
        Random random = plant.random(task.place(), task.at(), task.count());
        return switch (task.settings().getOrDefault("quantity", "pressure")) {
            case "temperature" ->
                new ValueCapture(new Amount(rounded(41 + 2 * random.nextGaussian(), 1), UnitCatalogue.DEGREE_CELSIUS));
            case "level" ->
                new ValueCapture(new Amount(rounded(2400 + 60 * random.nextGaussian(), 0), UnitCatalogue.MILLIMETRE));
            default -> new ValueCapture(new Amount(rounded(5.6 + 0.15 * random.nextGaussian(), 2), UnitCatalogue.BAR));
        };
    }
}
