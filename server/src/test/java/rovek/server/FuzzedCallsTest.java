package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Every operation of the published description, called with what it does not expect, by every role: a sentence or an answer, never a fault of the server.
 * The seed is fixed; {@code ROVEK_FUZZED_CALLS} asks for more than in every run.
 */
@ExtendWith(OneRovek.class)
class FuzzedCallsTest {

    private static final long SEED = 20_261_130;
    private static final int USUAL = 1_500;
    private static final List<String> STRANGE = List.of(
            "", " ", "a", "-1", "null", "0", "9999999999999999999999", "1e999", "NaN", "2026-13-45T99:00:00Z", "2026-11-20T08:00:00Z", "0000-00-00", "'; DROP TABLE node; --",
            "../../etc/passwd", "%00", "\u0000", "\u000B", "\uFFFF", "\uD800", "\uD83D\uDD27", "<script>", "=1+1", "\u202Eabc", "x".repeat(300), "x".repeat(12_000), "vibration", "gauge",
            "velocity.rms", "PASS", "CLIENT", "CHECK", "127.0.0.1", "{}", "[]", "4.5 bar", "\n\r\t");

    private final RunningRovek rovek;
    private final Random random = new Random(SEED);
    private final List<String> ids = new ArrayList<>();
    private JsonNode schemas;

    FuzzedCallsTest(RunningRovek rovek) {
        this.rovek = rovek;
    }

    private record Operation(String method, String path, JsonNode said) {}

    /** Those that would end the very sessions or accounts that are used, or never end. */
    private static boolean isLeftOut(String path, String method) {
        return path.endsWith("/stream") || path.startsWith("/api/session") || (path.startsWith("/api/accounts") && !method.equals("get"));
    }

    @Test
    void noCallOfAnyRoleIsAFaultOfTheServers() {
        Caller administrator = Caller.signedIn(rovek);
        List<String> checks = new SmallPlant(administrator).pump("P-1");
        ids.addAll(checks);
        administrator.get("/api/plant").ok().forEach(node -> ids.add(node.get("id").asString()));
        ids.add(new SmallPlant(administrator).route(checks));
        List<Caller> callers = new ArrayList<>(List.of(new Caller(rovek.address()), administrator));
        for (String role : List.of("VIEWER", "TECHNICIAN", "REVIEWER")) {
            String name = role.toLowerCase(java.util.Locale.ROOT);
            administrator.post("/api/accounts", Map.of("name", name, "displayName", name, "role", role, "password", RunningRovek.PASSWORD)).ok();
            callers.add(Caller.signedIn(rovek.address(), name, RunningRovek.PASSWORD));
        }
        JsonNode description = JsonMapper.builder().build().readTree(administrator.get("/api/openapi.json").bytes());
        schemas = description.get("components").get("schemas");
        List<Operation> operations = new ArrayList<>();
        description.get("paths").properties().forEach(path -> path.getValue().properties().stream()
                .filter(operation -> !isLeftOut(path.getKey(), operation.getKey()))
                .forEach(operation -> operations.add(new Operation(operation.getKey(), path.getKey(), operation.getValue()))));
        String more = System.getenv("ROVEK_FUZZED_CALLS");
        int calls = more == null ? USUAL : Integer.parseInt(more);
        List<String> faults = new ArrayList<>();
        for (int i = 0; i < calls; i++) {
            Operation operation = operations.get(i % operations.size());
            String address = address(operation);
            Object body = operation.said().path("requestBody").path("content").has("application/json")
                    ? value(operation.said().get("requestBody").get("content").get("application/json").get("schema"), 0) : null;
            Caller caller = callers.get(random.nextInt(callers.size()));
            Caller.Answer answer = caller.call(operation.method().toUpperCase(java.util.Locale.ROOT), address, body);
            boolean isFault = answer.status() >= 500;
            boolean isShapeless = answer.status() >= 400 && (answer.body() == null || !answer.body().path("detail").asString("").endsWith("."));
            if (isFault || isShapeless) {
                faults.add("%s %s %s -> %d %s".formatted(operation.method(), address, JsonMapper.builder().build().writeValueAsString(body), answer.status(), answer.text()));
            }
        }
        assertThat(faults).as("%d of %d calls", faults.size(), calls).isEmpty();
    }

    private String address(Operation operation) {
        String path = operation.path();
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation.said().path("parameters")) {
            String said = String.valueOf(value(parameter.get("schema"), 3));
            String coded = java.net.URLEncoder.encode(said.length() > 400 ? said.substring(0, 400) : said, java.nio.charset.StandardCharsets.UTF_8).replace("+", "%20");
            if (parameter.get("in").asString().equals("path")) {
                path = path.replace("{" + parameter.get("name").asString() + "}", coded.isEmpty() ? "x" : coded);
            } else if (random.nextInt(4) > 0) {
                query.append(query.isEmpty() ? "?" : "&").append(parameter.get("name").asString()).append('=').append(coded);
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
            JsonNode word = schema.get("enum").get(random.nextInt(schema.get("enum").size()));
            return word.isNull() ? null : word.asString();
        }
        String type = schema.path("type").isArray() ? schema.get("type").get(0).asString() : schema.path("type").asString("object");
        return switch (type) {
            case "string" -> text(schema.path("format").asString(""));
            case "integer" -> any(List.of(0, 1, -1, 7, 1_000_000, Integer.MAX_VALUE, Integer.MIN_VALUE, Long.MAX_VALUE));
            case "number" -> any(List.of(0.0, 1.5, -1.0, 1e300, -1e300, 1e-300, 42));
            case "boolean" -> random.nextBoolean();
            case "array" -> list(schema.get("items"), depth);
            default -> object(schema, depth);
        };
    }

    private Object text(String format) {
        if (format.equals("uuid")) {
            return random.nextInt(3) > 0 ? any(ids) : random.nextBoolean() ? new UUID(random.nextLong(), random.nextLong()).toString() : any(STRANGE);
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
        if (schema.has("additionalProperties") && schema.get("additionalProperties").isObject()) {
            for (int i = random.nextInt(3); i > 0; i--) {
                object.put(random.nextBoolean() ? any(ids) : any(STRANGE), value(schema.get("additionalProperties"), depth + 1));
            }
        }
        return object;
    }
}
