package rovek.fieldsim;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import rovek.core.wording.Sentence;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The handheld's face in a browser, and the same by HTTP for tests and the demonstration. Loopback only. */
final class Panel implements AutoCloseable {

    private final Handheld handheld;
    private final Faults faults;
    private final HttpServer server;
    private final ExecutorService threads = Executors.newFixedThreadPool(4);
    private final JsonMapper json = JsonMapper.builder().build();

    Panel(Handheld handheld, Faults faults, int port) {
        this.handheld = handheld;
        this.faults = faults;
        try {
            server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        } catch (IOException e) {
            throw new UncheckedIOException("Port " + port + " cannot be used.", e);
        }
        server.createContext("/", this::handle);
        server.setExecutor(threads);
        server.start();
    }

    int port() {
        return server.getAddress().getPort();
    }

    private void handle(HttpExchange exchange) throws IOException {
        try (exchange) {
            String path = exchange.getRequestURI().getPath();
            if (exchange.getRequestMethod().equals("GET")) {
                get(exchange, path);
            } else {
                post(exchange, path);
            }
        }
    }

    private void get(HttpExchange exchange, String path) throws IOException {
        switch (path) {
            case "/" -> answer(exchange, 200, "text/html; charset=utf-8", resource("panel.html"));
            case "/words/en.json", "/words/de.json" ->
                answer(exchange, 200, "application/json; charset=utf-8", resource(path.substring(1)));
            case "/panel.js" -> answer(exchange, 200, "text/javascript; charset=utf-8", resource("panel.js"));
            case "/api/state" -> state(exchange, 200, Sentence.NONE);
            default -> picture(exchange, path);
        }
    }

    private void picture(HttpExchange exchange, String path) throws IOException {
        Optional<byte[]> picture =
                handheld.route().map(route -> route.pictures().get(path.substring(1)));
        answer(
                exchange,
                picture.isPresent() ? 200 : 404,
                picture.isPresent() ? "image/jpeg" : "text/plain",
                picture.orElse(new byte[0]));
    }

    private void post(HttpExchange exchange, String path) throws IOException {
        // A page of another origin must not press the panel's buttons.
        String type = String.valueOf(exchange.getRequestHeaders().getFirst("Content-Type"));
        if (!type.startsWith("application/json")) {
            answer(exchange, 415, "text/plain", new byte[0]);
            return;
        }
        try {
            byte[] body = exchange.getRequestBody().readAllBytes();
            act(path, json.readTree(body.length == 0 ? "{}".getBytes(StandardCharsets.UTF_8) : body));
            state(exchange, 200, Sentence.NONE);
        } catch (HandheldException e) {
            state(exchange, 409, e.sentence());
        } catch (IllegalArgumentException | java.time.DateTimeException | JacksonException e) {
            state(exchange, 400, Sentence.of("handheld.impossible", "why", String.valueOf(e.getMessage())));
        }
    }

    private void act(String path, JsonNode body) {
        String[] parts = path.split("/");
        if (path.startsWith("/api/stops/") && parts.length == 5) {
            actOnStop(UUID.fromString(parts[3]), parts[4], body);
            return;
        }
        switch (path) {
            case "/api/walk-all" -> handheld.walkAll();
            case "/api/loose" ->
                handheld.measureLoose(
                        text(body, "technique"),
                        new SimulatedPlant.Place(text(body, "assetTag"), text(body, "point")),
                        body.path("unnamed").asBoolean(false)
                                ? ""
                                : (text(body, "assetTag") + " " + text(body, "point")).strip(),
                        settings(body));
            case "/api/run" -> turnRun(body.path("begin").asBoolean(false));
            case "/api/time" -> moveTime(text(body, "at"));
            case "/api/clock-error" ->
                handheld.clock()
                        .setError(Duration.ofSeconds(body.path("seconds").asLong(0)));
            case "/api/battery" -> handheld.setBattery(body.path("percent").asInt(80));
            case "/api/faults" -> setFaults(body);
            default -> throw new IllegalArgumentException("there is no " + path);
        }
    }

    private void actOnStop(UUID stop, String action, JsonNode body) {
        switch (action) {
            case "begin" -> handheld.begin(stop);
            case "measure" -> handheld.measure(stop);
            case "skip" -> handheld.skip(stop, text(body, "note"));
            case "note" -> handheld.note(stop, text(body, "note"));
            default -> throw new IllegalArgumentException("a stop cannot " + action);
        }
    }

    private void turnRun(boolean begin) {
        if (begin) {
            handheld.run().start(handheld.setup());
        } else {
            handheld.run().end();
        }
    }

    private void moveTime(String at) {
        if (at.isBlank()) {
            handheld.clock().backToRealTime();
        } else {
            handheld.clock().movePlantTo(Instant.parse(at));
        }
    }

    private void setFaults(JsonNode body) {
        faults.clear();
        if (body.has("cutAfterBytes")) {
            faults.cutAfter(body.get("cutAfterBytes").asLong());
        }
        if (body.path("corrupt").asBoolean(false)) {
            faults.corruptNextBlock();
        }
        if (body.path("damageWrite").asBoolean(false)) {
            faults.damageNextWrite();
        }
        faults.setMemoryFull(body.path("memoryFull").asBoolean(false));
        faults.setBusy(body.path("busy").asBoolean(false));
        faults.setSlowness(Duration.ofMillis(body.path("slowMillis").asLong(0)));
    }

    private static Map<String, String> settings(JsonNode body) {
        Map<String, String> settings = new TreeMap<>(
                Map.of("measure", "velocity", "rateHz", "25600", "lines", "6400", "sensitivityMvPerG", "100"));
        body.path("settings")
                .properties()
                .forEach(p -> settings.put(p.getKey(), p.getValue().asString()));
        return settings;
    }

    private static String text(JsonNode body, String field) {
        return body.path(field).asString("");
    }

    private void state(HttpExchange exchange, int status, Sentence problem) throws IOException {
        PanelState state = PanelState.of(handheld, faults, problem);
        answer(exchange, status, "application/json", json.writeValueAsBytes(state));
    }

    private static byte[] resource(String name) throws IOException {
        try (InputStream in = Panel.class.getResourceAsStream(name)) {
            return in.readAllBytes();
        }
    }

    private static void answer(HttpExchange exchange, int status, String type, byte[] bytes) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.getResponseHeaders().set("Cache-Control", "no-store");
        exchange.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
        exchange.getResponseBody().write(bytes);
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
    }
}
