package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Every operation of the published description, called with what it does not expect, by every role: a sentence or an
 * answer, never a fault of the server. The seed is fixed; {@code ROVEK_FUZZED_CALLS} asks for more than in every run.
 */
@ExtendWith(OneRovek.class)
class FuzzedCallsTest {

    private static final long SEED = 20_261_130;
    private static final int USUAL = 1_500;
    private static final List<String> STRANGE = List.of(
            "",
            " ",
            "a",
            "-1",
            "null",
            "0",
            "9999999999999999999999",
            "1e999",
            "NaN",
            "2026-13-45T99:00:00Z",
            "2026-11-20T08:00:00Z",
            "0000-00-00",
            "'; DROP TABLE node; --",
            "../../etc/passwd",
            "%00",
            "\u0000",
            "\u000B",
            "\uFFFF",
            "\uD800",
            "\uD83D\uDD27",
            "<script>",
            "=1+1",
            "\u202Eabc",
            "x".repeat(300),
            "x".repeat(12_000),
            "vibration",
            "gauge",
            "velocity.rms",
            "PASS",
            "CLIENT",
            "CHECK",
            "127.0.0.1",
            "{}",
            "[]",
            "4.5 bar",
            "\n\r\t");

    private final RunningRovek rovek;
    private final Random random = new Random(SEED);
    private final List<String> ids = new ArrayList<>();
    private JsonNode schemas;

    FuzzedCallsTest(RunningRovek rovek) {
        this.rovek = rovek;
    }

    private record Operation(String method, String path, JsonNode said) {}

    /** Those that end the very sessions or accounts that call them. */
    private static boolean endsCallers(Operation operation) {
        return operation.path().startsWith("/api/session") || operation.path().startsWith("/api/accounts");
    }

    /** Those that are open for as long as somebody listens. */
    private static boolean isStream(Operation operation) {
        return operation.path().endsWith("/stream") || operation.path().endsWith("/events");
    }

    private List<Operation> operations(Caller administrator, Predicate<Operation> wanted) {
        JsonNode description = JsonMapper.builder()
                .build()
                .readTree(administrator.get("/api/openapi.json").bytes());
        schemas = description.get("components").get("schemas");
        List<Operation> operations = new ArrayList<>();
        description
                .get("paths")
                .properties()
                .forEach(path -> path.getValue()
                        .properties()
                        .forEach(operation -> operations.add(
                                new Operation(operation.getKey(), path.getKey(), operation.getValue()))));
        assertThat(operations).anyMatch(wanted);
        return operations.stream().filter(wanted).toList();
    }

    private Caller.Answer called(Caller caller, Operation operation) {
        return caller.call(operation.method().toUpperCase(Locale.ROOT), address(operation), body(operation));
    }

    private Object body(Operation operation) {
        return operation.said().path("requestBody").path("content").has("application/json")
                ? value(
                        operation
                                .said()
                                .get("requestBody")
                                .get("content")
                                .get("application/json")
                                .get("schema"),
                        0)
                : null;
    }

    private static boolean isFault(int status, JsonNode body) {
        return status >= 500
                || status >= 400
                        && (body == null || !body.path("detail").asString("").endsWith("."));
    }

    @Test
    void noCallOfAnyRoleIsAFaultOfTheServers() {
        Caller administrator = Caller.signedIn(rovek);
        List<String> checks = new SmallPlant(administrator).pump("P-1");
        ids.addAll(checks);
        administrator
                .get("/api/plant")
                .ok()
                .forEach(node -> ids.add(node.get("id").asString()));
        ids.add(new SmallPlant(administrator).route(checks));
        List<Caller> callers = new ArrayList<>(List.of(new Caller(rovek.address()), administrator));
        for (String role : List.of("VIEWER", "TECHNICIAN", "REVIEWER")) {
            String name = role.toLowerCase(Locale.ROOT);
            administrator
                    .post(
                            "/api/accounts",
                            Map.of("name", name, "displayName", name, "role", role, "password", RunningRovek.PASSWORD))
                    .ok();
            callers.add(Caller.signedIn(rovek.address(), name, RunningRovek.PASSWORD));
        }
        List<Operation> operations =
                operations(administrator, operation -> !endsCallers(operation) && !isStream(operation));
        String more = System.getenv("ROVEK_FUZZED_CALLS");
        int calls = more == null ? USUAL : Integer.parseInt(more);
        List<String> faults = new ArrayList<>();
        for (int i = 0; i < calls; i++) {
            Operation operation = operations.get(i % operations.size());
            String address = address(operation);
            Object body = body(operation);
            Caller caller = callers.get(random.nextInt(callers.size()));
            Caller.Answer answer = caller.call(operation.method().toUpperCase(Locale.ROOT), address, body);
            if (isFault(answer.status(), answer.body())) {
                faults.add("%s %s %s -> %d %s"
                        .formatted(
                                operation.method(),
                                address,
                                JsonMapper.builder().build().writeValueAsString(body),
                                answer.status(),
                                answer.text()));
            }
        }
        assertThat(faults).as("%d of %d calls", faults.size(), calls).isEmpty();
    }

    /** Accounts are closed and passwords changed on the way: whoever is out by that is let in again, and goes on. */
    @Test
    void norIsOneThatEndsSessionsAndAccounts() {
        JdbcClient db = rovek.bean(JdbcClient.class);
        Caller administrator = Caller.signedIn(rovek.address(), RunningRovek.ADMINISTRATOR, RunningRovek.PASSWORD);
        String hash = db.sql("SELECT password_hash FROM account WHERE name = ?")
                .param(RunningRovek.ADMINISTRATOR)
                .query(String.class)
                .single();
        for (int i = 0; i < 4; i++) {
            administrator
                    .post(
                            "/api/accounts",
                            Map.of(
                                    "name",
                                    "fuzzed" + i,
                                    "displayName",
                                    "F",
                                    "role",
                                    "VIEWER",
                                    "password",
                                    RunningRovek.PASSWORD))
                    .ok();
        }
        administrator
                .get("/api/accounts")
                .ok()
                .forEach(account -> ids.add(account.get("id").asString()));
        List<Operation> operations = operations(administrator, FuzzedCallsTest::endsCallers);
        List<String> faults = new ArrayList<>();
        Set<Integer> seen = new TreeSet<>();
        for (int i = 0; i < 20 * operations.size(); i++) {
            if (administrator.get("/api/accounts").status() != 200) {
                db.sql("UPDATE account SET active = true, role = 'ADMINISTRATOR', password_hash = ? WHERE name = ?")
                        .params(hash, RunningRovek.ADMINISTRATOR)
                        .update();
                db.sql("DELETE FROM sign_in_throttle").update();
                administrator = Caller.signedIn(rovek.address(), RunningRovek.ADMINISTRATOR, RunningRovek.PASSWORD);
            }
            Operation operation = operations.get(i % operations.size());
            Caller.Answer answer =
                    called(random.nextInt(4) > 0 ? administrator : new Caller(rovek.address()), operation);
            seen.add(answer.status());
            if (isFault(answer.status(), answer.body())) {
                faults.add("%s %s -> %d %s"
                        .formatted(operation.method(), operation.path(), answer.status(), answer.text()));
            }
        }
        assertThat(faults).isEmpty();
        assertThat(seen).as("all manner of answers").contains(200, 401, 404, 422);
    }

    /** Of each only the beginning is heard; where it is refused, with the sentence of all others. */
    @Test
    void norIsAStream() throws Exception {
        Caller administrator = Caller.signedIn(rovek.address(), RunningRovek.ADMINISTRATOR, RunningRovek.PASSWORD);
        ids.add(administrator
                .post("/api/checks/" + new SmallPlant(administrator).pump("P-9").get(0) + "/recalculate", Map.of())
                .ok()
                .get("id")
                .asString());
        String setup = UUID.randomUUID().toString();
        administrator
                .put(
                        "/api/setups/" + setup,
                        Map.of(
                                "name",
                                "Nowhere",
                                "form",
                                "registers",
                                "values",
                                Map.of("host", "127.0.0.1", "port", "1"),
                                "rows",
                                List.of(Map.of(
                                        "name",
                                        "Level",
                                        "quantityUnit",
                                        "m",
                                        "table",
                                        "holding register",
                                        "address",
                                        "0",
                                        "form",
                                        "16-bit unsigned")),
                                "version",
                                0))
                .ok();
        ids.add(setup);
        List<Operation> operations = operations(administrator, FuzzedCallsTest::isStream);
        HttpClient http = HttpClient.newHttpClient();
        List<String> faults = new ArrayList<>();
        for (int i = 0; i < 20 * operations.size(); i++) {
            Operation operation = operations.get(i % operations.size());
            String address = address(operation);
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(rovek.address() + address))
                    .header("Accept", random.nextBoolean() ? "text/event-stream" : "*/*");
            if (random.nextInt(4) > 0) {
                request.header("Cookie", administrator.cookies());
            }
            HttpResponse<InputStream> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofInputStream());
            try (InputStream body = answer.body()) {
                String text = answer.statusCode() >= 400 ? new String(body.readAllBytes(), StandardCharsets.UTF_8) : "";
                if (answer.statusCode() >= 500 || answer.statusCode() >= 400 && !text.contains("\"detail\":")) {
                    faults.add("%s -> %d %s".formatted(address, answer.statusCode(), text));
                }
            }
        }
        assertThat(faults).isEmpty();
    }

    private String address(Operation operation) {
        String path = operation.path();
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation.said().path("parameters")) {
            String said = String.valueOf(value(parameter.get("schema"), 3));
            String coded = java.net.URLEncoder.encode(
                            said.length() > 400 ? said.substring(0, 400) : said, StandardCharsets.UTF_8)
                    .replace("+", "%20");
            if (parameter.get("in").asString().equals("path")) {
                path = path.replace("{" + parameter.get("name").asString() + "}", coded.isEmpty() ? "x" : coded);
            } else if (random.nextInt(4) > 0) {
                query.append(query.isEmpty() ? "?" : "&")
                        .append(parameter.get("name").asString())
                        .append('=')
                        .append(coded);
            }
        }
        return path + query;
    }

    private <T> T any(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    /** Something like what a schema asks for, most of the time. */
    private Object value(JsonNode schema, int depth) {
        if (schema == null || depth > 8 || random.nextInt(25) == 0) {
            return any(java.util.Arrays.asList(null, "", -1, 1e300, true, List.of(), Map.of(), "text"));
        }
        if (schema.has("$ref")) {
            String reference = schema.get("$ref").asString();
            return value(schemas.get(reference.substring(reference.lastIndexOf('/') + 1)), depth);
        }
        if (schema.has("enum") && random.nextInt(8) > 0) {
            JsonNode word =
                    schema.get("enum").get(random.nextInt(schema.get("enum").size()));
            return word.isNull() ? null : word.asString();
        }
        String type = schema.path("type").isArray()
                ? schema.get("type").get(0).asString()
                : schema.path("type").asString("object");
        return switch (type) {
            case "string" -> text(schema.path("format").asString(""));
            case "integer" ->
                any(List.of(0, 1, -1, 7, 1_000_000, Integer.MAX_VALUE, Integer.MIN_VALUE, Long.MAX_VALUE));
            case "number" -> any(List.of(0.0, 1.5, -1.0, 1e300, -1e300, 1e-300, 42));
            case "boolean" -> random.nextBoolean();
            case "array" -> list(schema.get("items"), depth);
            default -> object(schema, depth);
        };
    }

    private Object text(String format) {
        if (format.equals("uuid")) {
            return random.nextInt(3) > 0
                    ? any(ids)
                    : random.nextBoolean() ? new UUID(random.nextLong(), random.nextLong()).toString() : any(STRANGE);
        }
        return format.isEmpty() || random.nextInt(3) == 0 ? any(STRANGE) : "2026-11-20";
    }

    private List<Object> list(JsonNode items, int depth) {
        List<Object> list = new ArrayList<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            list.add(value(items, depth + 1));
        }
        return list;
    }

    private Map<String, Object> object(JsonNode schema, int depth) {
        Map<String, Object> object = new LinkedHashMap<>();
        schema.path("properties").properties().forEach(property -> {
            if (random.nextInt(12) > 0) {
                object.put(property.getKey(), value(property.getValue(), depth + 1));
            }
        });
        if (schema.has("additionalProperties")
                && schema.get("additionalProperties").isObject()) {
            for (int i = random.nextInt(3); i > 0; i--) {
                object.put(
                        random.nextBoolean() ? any(ids) : any(STRANGE),
                        value(schema.get("additionalProperties"), depth + 1));
            }
        }
        return object;
    }
}
