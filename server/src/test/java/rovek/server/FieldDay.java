package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rovek.fieldsim.Fieldsim;
import rovek.fieldsim.StandIn;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A stand-in handheld in a test's hands. */
public final class FieldDay implements AutoCloseable {

    private final HttpClient http = HttpClient.newHttpClient();
    private final JsonMapper json = JsonMapper.builder().build();
    private final Fieldsim fieldsim;

    public FieldDay(Path memory) {
        this.fieldsim = Fieldsim.start(memory, 0, 0, Clock.systemUTC());
    }

    /** A stand-in that somebody else switched on. */
    FieldDay(Fieldsim fieldsim) {
        this.fieldsim = fieldsim;
    }

    /** A stand-in of another kind, or with another serial number. */
    public FieldDay(Fieldsim.Kind kind, String serial, Path memory) {
        this.fieldsim = Fieldsim.start(kind, serial, memory, 0, 0, Clock.systemUTC());
    }

    /** A stand-in of another maker. */
    FieldDay(String maker, String serial, Path memory) {
        this.fieldsim = Fieldsim.start(
                new StandIn(Fieldsim.Kind.VIBRATION, maker, serial, memory, 0, 0, Optional.empty(), Optional.empty()),
                Clock.systemUTC());
    }

    public int instrumentPort() {
        return fieldsim.instrumentPort();
    }

    public String panelAddress() {
        return "http://127.0.0.1:" + fieldsim.panelPort();
    }

    /** Presses a button of the panel and returns its state. */
    public JsonNode press(String path, Map<String, ?> body) {
        HttpRequest request = HttpRequest.newBuilder(URI.create(panelAddress() + path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofByteArray(json.writeValueAsBytes(body)))
                .build();
        try {
            HttpResponse<byte[]> answer = http.send(request, HttpResponse.BodyHandlers.ofByteArray());
            assertThat(answer.statusCode()).as(new String(answer.body())).isEqualTo(200);
            return json.readTree(answer.body());
        } catch (IOException | InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    public void faults(Map<String, ?> faults) {
        press("/api/faults", faults);
    }

    /** Puts this handheld on the shelf. */
    public String connect(Caller caller) {
        return caller.post(
                        "/api/connections", Map.of("host", "127.0.0.1", "port", instrumentPort(), "passCode", "4711"))
                .ok()
                .get("id")
                .asString();
    }

    public JsonNode load(Caller caller, String instrument, String route) {
        return caller.awaitJob(caller.post("/api/instruments/" + instrument + "/load", Map.of("routeId", route))
                .ok());
    }

    /** On a day in the past: the stand-in's clock differs from the server's by all of that. */
    public JsonNode loadOnThatDay(Caller caller, String instrument, String route) {
        return caller.awaitJob(caller.post(
                        "/api/instruments/" + instrument + "/load",
                        Map.of("routeId", route, "accepted", List.of("CLOCK")))
                .ok());
    }

    public JsonNode readBack(Caller caller, String instrument) {
        return readBack(caller, instrument, List.of());
    }

    /** With the times as the stand-in wrote them. */
    public JsonNode readBackAsWritten(Caller caller, String instrument) {
        return caller.awaitJob(caller.post(
                        "/api/instruments/" + instrument + "/read-back",
                        Map.of("files", List.of(), "correctClock", false))
                .ok());
    }

    public JsonNode readBack(Caller caller, String instrument, List<String> files) {
        return caller.awaitJob(caller.post(
                        "/api/instruments/" + instrument + "/read-back", Map.of("files", files, "correctClock", true))
                .ok());
    }

    @Override
    public void close() {
        fieldsim.close();
    }
}
