package rovek.bench;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;
import rovek.core.technique.vibration.DiagnosisTrial;

/** Measures in one run and prints ratios: the machine's own speed cancels out. */
public final class Bench {

    private static final int ROUNDS = 3;
    private static final int SOUND_MACHINES = 10_000;

    private Bench() {}

    public static void main(String[] args) throws Exception {
        List<String> wanted = args.length == 0
                ? List.of(
                        "plant",
                        "analysis",
                        "diagnosis",
                        "trend",
                        "run",
                        "people",
                        "import",
                        "storm",
                        "records",
                        "read-back")
                : List.of(args);
        if (wanted.contains("plant")) {
            new PlantSizeBench().run().forEach(line -> say("%s", line));
        }
        if (wanted.contains("trend")) {
            new TrendBench().run().forEach(line -> say("%s", line));
        }
        if (wanted.contains("people")) {
            new PeopleBench().run().forEach(line -> say("%s", line));
            new PeopleBench().runAtTwo().forEach(line -> say("%s", line));
        }
        if (wanted.contains("import")) {
            new ImportBench().run().forEach(line -> say("%s", line));
        }
        if (wanted.contains("storm")) {
            new StormBench().run().forEach(line -> say("%s", line));
            new StormBench().runAtTwo().forEach(line -> say("%s", line));
        }
        if (wanted.contains("records")) {
            new RecordsBench().run().forEach(line -> say("%s", line));
        }
        if (wanted.contains("run")) {
            new RunBench().run().forEach(line -> say("%s", line));
        }
        if (wanted.contains("analysis")) {
            analysis();
        }
        if (wanted.contains("diagnosis")) {
            new DiagnosisTrial().all(SOUND_MACHINES).forEach(outcome -> say("%s", outcome));
        }
        if (wanted.contains("read-back")) {
            readBack(List.of(ReadBackBench.Load.values()));
        }
        for (ReadBackBench.Load load : ReadBackBench.Load.values()) {
            if (wanted.contains(load.name().toLowerCase(Locale.ROOT))) {
                readBack(List.of(load));
            }
        }
    }

    private static void readBack(List<ReadBackBench.Load> loads) throws Exception {
        int cores = Runtime.getRuntime().availableProcessors();
        for (ReadBackBench.Load load : loads) {
            for (int round = 1; round <= (load == ReadBackBench.Load.WALK ? ROUNDS : 2); round++) {
                ReadBackBench.Outcome outcome = new ReadBackBench(load).run();
                say(
                        "Reading back %s, round %d: %.2f s on %d cores (%.2f s of the server's processor time); "
                                + "at the least %.2f s (COPY into bare tables %.2f s, analysis %.2f s), ratio %.1f."
                                + " COPY into the same tables %.2f s. Heap of at most %d MB: idle %d MB, in use "
                                + "after a collection at most %d MB",
                        load.said(),
                        round,
                        outcome.readBackSeconds(),
                        cores,
                        outcome.processorSeconds(),
                        outcome.least(),
                        outcome.copySeconds(),
                        outcome.analysisSeconds(),
                        outcome.readBackSeconds() / outcome.least(),
                        outcome.indexedSeconds(),
                        Runtime.getRuntime().maxMemory() >> 20,
                        outcome.idleMegabytes(),
                        outcome.liveMegabytes());
            }
        }
    }

    private static void analysis() throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(AnalysisBench.class.getSimpleName())
                        .verbosity(VerboseMode.SILENT)
                        .build())
                .run();
        double whole = score(results, "analysis");
        double bare = score(results, "bareTransform");
        say(
                "One analysis of 16,384 samples: %.0f us, bare transform of the same %.0f us, ratio %.1f",
                whole, bare, whole / bare);
        double everything = score(results, "everything");
        double transforms = score(results, "bareTransforms");
        say(
                "Overall values, spectrum and envelope: %.0f us, the bare transforms they need %.0f us, ratio %.2f (wanted at most 2.5)",
                everything, transforms, everything / transforms);
    }

    private static double score(Collection<RunResult> results, String method) {
        return results.stream()
                .filter(result -> result.getParams().getBenchmark().endsWith("." + method))
                .findFirst()
                .orElseThrow()
                .getPrimaryResult()
                .getScore();
    }

    private static void say(String format, Object... arguments) {
        System.out.println(String.format(Locale.ROOT, format, arguments));
    }
}
