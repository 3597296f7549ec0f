package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Somebody with a browser's cookies who calls the published API. */
public final class Caller {

    private final String address;
    private final CookieManager cookies;
    private final HttpClient http;
    private final JsonMapper json = JsonMapper.builder().build();

    /** Blank for none. */
    private final String language;

    public Caller(String address) {
        this(address, new CookieManager(), "");
    }

    private Caller(String address, CookieManager cookies, String language) {
        this.address = address;
        this.cookies = cookies;
        this.language = language;
        this.http = HttpClient.newBuilder().cookieHandler(cookies).build();
    }

    public String address() {
        return address;
    }

    /** The same person with the same cookies at another server. */
    public Caller onServer(String otherAddress) {
        return new Caller(otherAddress, cookies, language);
    }

    /** The same person, who asks to be answered in a language. */
    public Caller in(String wanted) {
        return new Caller(address, cookies, wanted);
    }

    /**
     * The administrator. Signing in costs a password's hash, so that everybody who asks of one application shares a
     * session while it holds.
     */
    public static Caller signedIn(RunningRovek rovek) {
        return rovek.administrator();
    }

    public static Caller signedIn(String address, String name, String password) {
        Caller caller = new Caller(address);
        Answer answer = caller.signIn(name, password);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return caller;
    }

    public Answer signIn(String name, String password) {
        get("/api/session");
        Answer answer = post("/api/session", Map.of("name", name, "password", password));
        get("/api/session");
        return answer;
    }

    /** An answer as it came. */
    public record Answer(int status, byte[] bytes, JsonNode body) {
        public String text() {
            return new String(bytes);
        }

        public JsonNode ok() {
            assertThat(status).as(text()).isBetween(200, 299);
            return body;
        }

        public String sentence() {
            return body.path("detail").asString("");
        }
    }

    public Answer get(String path) {
        return call("GET", path, null);
    }

    public Answer post(String path, Object body) {
        return call("POST", path, body);
    }

    public Answer put(String path, Object body) {
        return call("PUT", path, body);
    }

    /**
     * Says an upper limit on a result at a node, for all that was and will be measured; null for a boundary that is
     * none.
     */
    public Answer limit(Object node, String technique, String result, Double watch, Double fail) {
        return put(
                "/api/nodes/" + node + "/limits/" + technique + "/" + result, saying(rule("ABOVE", watch, fail), null));
    }

    /** @param from when it begins to hold; null for all before, too */
    public static Map<String, Object> saying(Map<String, Object> rule, String from) {
        Map<String, Object> saying = new HashMap<>();
        saying.put("limit", limit(rule));
        saying.put("isInherited", false);
        saying.put("from", from);
        return saying;
    }

    public static Map<String, Object> limit(Map<String, Object> rule) {
        return Map.of("rules", List.of(rule), "hysteresis", 0, "boundaryIsPast", false);
    }

    public static Map<String, Object> rule(String kind, Double watch, Double fail) {
        Map<String, Object> rule = new HashMap<>(Map.of("kind", kind, "isShare", true, "isRobust", true));
        rule.put("watch", watch);
        rule.put("fail", fail);
        return rule;
    }

    public Answer patch(String path, Object body) {
        return call("PATCH", path, body);
    }

    public Answer delete(String path) {
        return call("DELETE", path, null);
    }

    /** Calls with the request token, as the front end does. */
    public Answer call(String method, String path, Object body) {
        return call(method, path, body, token());
    }

    public Answer call(String method, String path, Object body, String token) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", token)
                .method(
                        method,
                        body == null
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofByteArray(json.writeValueAsBytes(body)))
                .build());
    }

    /** Sends a file as a form on a page does. */
    public Answer sendFile(String path, String name, byte[] bytes) {
        return sendFile(path, name, bytes, Map.of());
    }

    /** Sends a file with more about it, each part of that as JSON. */
    public Answer sendFile(String path, String name, byte[] bytes, Map<String, ?> more) {
        String boundary = "boundary-" + java.util.UUID.randomUUID();
        java.util.List<byte[]> parts = new java.util.ArrayList<>();
        more.forEach((part, value) -> {
            parts.add(utf8("--" + boundary + "\r\nContent-Disposition: form-data; name=\"" + part
                    + "\"\r\nContent-Type: application/json\r\n\r\n"));
            parts.add(json.writeValueAsBytes(value));
            parts.add(utf8("\r\n"));
        });
        parts.add(utf8("--" + boundary + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                + "\"\r\n" + "Content-Type: application/octet-stream\r\n\r\n"));
        parts.add(bytes);
        parts.add(utf8("\r\n--" + boundary + "--\r\n"));
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .header("X-XSRF-TOKEN", token())
                .POST(HttpRequest.BodyPublishers.ofByteArrays(parts))
                .build());
    }

    private static byte[] utf8(String text) {
        return text.getBytes(java.nio.charset.StandardCharsets.UTF_8);
    }

    private Answer send(HttpRequest plain) {
        HttpRequest request = language.isEmpty()
                ? plain
                : HttpRequest.newBuilder(plain, (name, value) -> true)
                        .header("Accept-Language", language)
                        .build();
        try {
            HttpResponse<byte[]> response = http.send(request, HttpResponse.BodyHandlers.ofByteArray());
            boolean isJson =
                    response.headers().firstValue("Content-Type").orElse("").contains("json");
            return new Answer(
                    response.statusCode(),
                    response.body(),
                    isJson ? json.readTree(response.body()) : json.createObjectNode());
        } catch (IOException e) {
            throw new AssertionError(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(e);
        }
    }

    /** As a browser sends them. */
    public String cookies() {
        return cookies.getCookieStore().getCookies().stream()
                .map(cookie -> cookie.getName() + "=" + cookie.getValue())
                .collect(java.util.stream.Collectors.joining("; "));
    }

    private String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(java.net.HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    /** Follows a job to its end. */
    public JsonNode awaitJob(JsonNode job) {
        JsonNode now = job;
        long until = System.nanoTime() + 60_000_000_000L;
        while (now.get("state").asString().equals("RUNNING")) {
            assertThat(System.nanoTime())
                    .as("the job ends within a minute: " + now)
                    .isLessThan(until);
            pause();
            now = get("/api/jobs/" + job.get("id").asString()).ok();
        }
        return now;
    }

    /** Between two questions: asked without a pause, the server has no time left for the job itself. */
    static void pause() {
        try {
            Thread.sleep(10);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted while waiting.", e);
        }
    }
}
