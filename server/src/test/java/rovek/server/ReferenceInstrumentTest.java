package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * An instrument in another language, written from the published pages alone, is connected, loaded, walked, read back
 * and cleared.
 */
@ExtendWith(SharedRovek.class)
class ReferenceInstrumentTest {

    private final Caller caller;
    private final SmallPlant plant;

    ReferenceInstrumentTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    /** The program of docs/reference-instrument, as anybody starts it. */
    private static final class Reference implements AutoCloseable {

        private final Process process;
        private final BufferedReader says;
        private final PrintStream words;
        private final int port;

        Reference(Path memory) throws IOException {
            process = new ProcessBuilder(
                            "python3",
                            "../docs/reference-instrument/instrument.py",
                            "--memory",
                            memory.toString(),
                            "--port",
                            "0",
                            "--serial",
                            "R-77",
                            "--pass-code",
                            "4711")
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            says = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
            words = new PrintStream(process.getOutputStream(), true, StandardCharsets.UTF_8);
            port = Integer.parseInt(says.readLine().replace("listening on ", ""));
        }

        void told(String word) throws IOException {
            words.println(word);
            assertThat(says.readLine()).isEqualTo("done");
        }

        @Override
        public void close() {
            process.destroy();
        }
    }

    private JsonNode job(Caller.Answer begun) {
        JsonNode job = caller.awaitJob(begun.ok());
        assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("DONE");
        return job;
    }

    @Test
    void itGoesTheWholeRound(@TempDir Path memory) throws Exception {
        List<String> checks = new java.util.ArrayList<>(plant.pump("P-77"));
        String point = plant.row(checks.get(0)).get("node").get("parentId").asString();
        checks.add(plant.check(point, "gauge", "Pressure"));
        try (Reference reference = new Reference(memory)) {
            assertThat(caller.post(
                                    "/api/connections",
                                    Map.of("host", "127.0.0.1", "port", reference.port, "passCode", "1"))
                            .sentence())
                    .contains("pass code");
            JsonNode met = caller.post(
                            "/api/connections", Map.of("host", "127.0.0.1", "port", reference.port, "passCode", "4711"))
                    .ok();
            assertThat(met.get("maker").asString()
                            + met.get("model").asString()
                            + met.get("serial").asString())
                    .isEqualTo("ReferenceRI-1R-77");
            String instrument = "/api/instruments/" + met.get("id").asString();
            job(caller.post(instrument + "/load", Map.of("routeId", plant.route(checks), "accepted", List.of())));
            JsonNode look = caller.get(instrument + "/connection").ok();
            assertThat(look.get("batteryPercent").asInt()).isEqualTo(80);
            assertThat(look.get("files").get(0).get("what").asString()).isEqualTo("Monthly walk, 5 stops");
            reference.told("walk");
            reference.told("loose P-77 drive end");
            assertThat(job(caller.post(instrument + "/read-back", Map.of("files", List.of(), "correctClock", true)))
                            .get("sentence")
                            .asString())
                    .startsWith("6 new readings, 1 of them loose");
            assertThat(job(caller.post(instrument + "/read-back", Map.of("files", List.of(), "correctClock", true)))
                            .get("sentence")
                            .asString())
                    .startsWith("0 new readings, 6 already stored");
            JsonNode line = caller.get("/api/visits")
                    .ok()
                    .valueStream()
                    .filter(one -> one.get("instrument").asString().contains("R-77")
                            && one.get("readings").asInt() > 1)
                    .findFirst()
                    .orElseThrow();
            JsonNode visit =
                    caller.get("/api/visits/" + line.get("id").asString()).ok();
            double velocity = visit.get("rows")
                    .valueStream()
                    .filter(row -> row.get("checkId").asString().equals(checks.get(0)))
                    .findFirst()
                    .orElseThrow()
                    .get("value")
                    .asDouble();
            // An acceleration of 2 m/s2 at 50 Hz is a velocity of 2 / (2 pi 50) / sqrt 2 = 4.50 mm/s RMS.
            assertThat(velocity).isBetween(4.45, 4.55);
            assertThat(visit.get("rows")
                            .valueStream()
                            .map(row -> row.get("progress").asString()))
                    .containsOnly("done");
            List<String> names = caller.get(instrument + "/connection")
                    .ok()
                    .get("files")
                    .valueStream()
                    .filter(file -> file.get("state").asString().equals("STORED"))
                    .map(file -> file.get("name").asString())
                    .toList();
            assertThat(caller.post(instrument + "/clear", Map.of("files", names))
                            .ok()
                            .get("files")
                            .asInt())
                    .isEqualTo(2);
            caller.post(instrument + "/clock", Map.of()).ok();
            assertThat(caller.get(instrument + "/connection").ok().get("files")).hasSize(1);
        }
    }
}
