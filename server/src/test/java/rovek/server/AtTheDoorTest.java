package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What is no request, no text, or too much of one: a sentence in the one shape, and nothing done. */
@ExtendWith(SharedRovek.class)
class AtTheDoorTest {

    private final RunningRovek rovek;
    private final Caller caller;
    private final SmallPlant plant;

    AtTheDoorTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    private String raw(String request) throws IOException {
        try (Socket socket = new Socket("127.0.0.1", URI.create(rovek.address()).getPort())) {
            socket.getOutputStream().write(request.getBytes(StandardCharsets.ISO_8859_1));
            socket.setSoTimeout(10_000);
            ByteArrayOutputStream answer = new ByteArrayOutputStream();
            // The server may go on waiting for the rest of a body: its answer ends with its problem.
            for (int one = socket.getInputStream().read();
                    one >= 0;
                    one = socket.getInputStream().read()) {
                answer.write(one);
                if (one == '}') {
                    break;
                }
            }
            return answer.toString(StandardCharsets.UTF_8);
        }
    }

    private static void assertIsProblem(String answer, int status, String code) {
        assertThat(answer)
                .startsWith("HTTP/1.1 " + status)
                .containsIgnoringCase("application/problem+json")
                .doesNotContainIgnoringCase("tomcat")
                .doesNotContain("<html");
        String body = answer.substring(answer.indexOf("\r\n\r\n") + 4);
        JsonNode problem =
                JsonMapper.builder().build().readTree(body.substring(body.indexOf('{'), body.lastIndexOf('}') + 1));
        assertThat(problem.get("status").asInt()).isEqualTo(status);
        assertThat(problem.get("code").asString()).isEqualTo(code);
        assertThat(problem.get("detail").asString()).endsWith(".");
    }

    @Test
    void whatIsNoRequestIsAnsweredInTheSameShape() throws IOException {
        String rest = " HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n";
        assertIsProblem(raw("GET /a{b" + rest), 400, "unreadable");
        assertIsProblem(raw("GET /api/plant%00" + rest), 400, "unreadable");
        assertIsProblem(raw("GET /api/..%2f..%2fetc/passwd" + rest), 400, "unreadable");
        assertIsProblem(raw("GET /api//plant" + rest), 400, "unreadable");
        assertIsProblem(raw("GET /error" + rest), 404, "not-found");
        assertIsProblem(raw("BREW /api/plant" + rest), 400, "unreadable");
        assertIsProblem(
                raw("GET /api/plant HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\nX: " + "x".repeat(20_000)
                        + "\r\n\r\n"),
                400,
                "unreadable");
    }

    @Test
    void aBodyIsReadNoFurtherThanItMayBeLong() throws IOException {
        String signIn =
                "POST /api/session HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\nContent-Type: application/json\r\n";
        assertIsProblem(raw(signIn + "Content-Length: 900000000\r\n\r\n{"), 413, "too-large");
        String chunk = "2000\r\n" + " ".repeat(0x2000) + "\r\n";
        String cookie =
                "Cookie: XSRF-TOKEN=00000000-0000-0000-0000-000000000000\r\nX-XSRF-TOKEN: 00000000-0000-0000-0000-000000000000\r\n";
        assertIsProblem(
                raw(signIn + cookie + "Transfer-Encoding: chunked\r\n\r\n" + chunk + chunk + "0\r\n\r\n"),
                413,
                "too-large");
        Caller.Answer large =
                caller.put("/api/plant/nodes/" + UUID.randomUUID() + "/settings", Map.of("a", "x".repeat(9 << 20)));
        assertThat(large.status()).isEqualTo(413);
        assertThat(large.sentence()).contains("Nothing of it was taken");
    }

    @Test
    void aTextThatCannotBeKeptIsRefusedWhereverItStands() {
        List<String> strangers = List.of("\u0000", "\u000B", "\uFFFE", "\uFFFF", "\uD800", "\u0085", "\u001B[2J");
        for (String stranger : strangers) {
            Map<String, Object> node = new HashMap<>(Map.of(
                    "id", UUID.randomUUID().toString(), "level", "CLIENT", "tag", "", "name", "a" + stranger + "b"));
            node.put("parentId", null);
            node.put("preset", null);
            Caller.Answer inBody = caller.post("/api/plant/nodes", node);
            assertThat(inBody.status()).as(inBody.text()).isEqualTo(422);
            assertThat(inBody.sentence()).contains("control character (U+");
            assertThat(inBody.body().get("faults").get(0).get("field").asString())
                    .isEqualTo("name");
        }
        assertThat(caller.get("/api/outline/find?text=a%0Bb").sentence()).contains("control character (U+000B)");
        assertThat(caller.get("/api/outline/find?text=" + "x".repeat(2_001)).status())
                .isEqualTo(422);
        Caller.Answer inAKey =
                caller.put("/api/plant/nodes/" + UUID.randomUUID() + "/settings", Map.of("a\u000Bb", "1"));
        assertThat(inAKey.status()).isEqualTo(422);
        Map<String, Object> route = Map.of("name", "x".repeat(10_001), "checkIds", List.of(), "version", 0);
        assertThat(caller.put("/api/routes/" + UUID.randomUUID(), route).sentence())
                .contains("at most 10,000 characters");
    }

    @Test
    void aTableOfMillionsOfLinesIsRefusedBeforeAnythingIsMadeOfIt() {
        Map<String, Object> pasted = new HashMap<>(Map.of("text", "a\n".repeat(200_100)));
        pasted.put("parentId", null);
        assertThat(caller.post("/api/plant/paste/preview", pasted).sentence()).contains("more than 200,000 lines");
        assertThat(caller.sendFile(
                                "/api/plant/import/preview",
                                "plant.csv",
                                ("tag,name\n" + "a\n".repeat(200_100)).getBytes(StandardCharsets.UTF_8))
                        .sentence())
                .contains("more than 200,000 lines");
        assertThat(caller.sendFile(
                                "/api/plant/import/preview",
                                "plant.csv",
                                ("tag,name\n" + "a\r".repeat(200_100)).getBytes(StandardCharsets.UTF_8))
                        .sentence())
                .contains("more than 200,000 lines");
        assertThat(caller.sendFile(
                                "/api/plant/import/preview",
                                "plant.json",
                                ("{\"format\":\"rovek-plant\",\"version\":1,\"nodes\":[" + "{},".repeat(600_100)
                                                + "{}]}")
                                        .getBytes(StandardCharsets.UTF_8))
                        .sentence())
                .contains("more than 200,000 lines");
        assertThat(caller.sendFile(
                                "/api/foreign-tables/look",
                                "log.csv",
                                "1,2\n".repeat(200_100).getBytes(StandardCharsets.UTF_8))
                        .sentence())
                .contains("more than 200,000 lines");
        assertThat(caller.sendFile("/api/plant/import/preview", "plant.csv", new byte[33 << 20])
                        .sentence())
                .contains("more than 32 MB");
    }

    @Test
    void aTableIsTakenWithItsStrangersReplaced() {
        String client = "Client of strangers " + UUID.randomUUID();
        plant.id(null, "CLIENT", "", client);
        String csv = "path,level,tag,name\n\"%s\",SITE,,a\u000Bb\n".formatted(client);
        JsonNode seen = caller.sendFile("/api/plant/import/preview", "plant.csv", csv.getBytes(StandardCharsets.UTF_8))
                .ok();
        assertThat(seen.get("rows").get(0).get("label").asString()).isEqualTo("a\uFFFDb");
        String json =
                "{\"format\":\"rovek-plant\",\"version\":1,\"nodes\":[{\"level\":\"CLIENT\",\"name\":\"a\\u0000b\\uFFFEc\"}]}";
        JsonNode inJson = caller.sendFile(
                        "/api/plant/import/preview", "plant.json", json.getBytes(StandardCharsets.UTF_8))
                .ok();
        assertThat(inJson.get("rows").get(0).get("label").asString()).isEqualTo("a\uFFFDb\uFFFDc");
    }
}
