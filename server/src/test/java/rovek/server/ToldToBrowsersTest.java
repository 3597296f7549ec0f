package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import tools.jackson.databind.JsonNode;

/** What every answer tells a browser, and what no answer gives to anybody. */
@ExtendWith(OneRovek.class)
class ToldToBrowsersTest {

    private final RunningRovek rovek;
    private final Caller caller;
    private final HttpClient http = HttpClient.newHttpClient();

    ToldToBrowsersTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
    }

    private HttpResponse<String> get(String path, String... headers) throws Exception {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create(rovek.address() + path)).header("Cookie", caller.cookies());
        return http.send(
                (headers.length == 0 ? request : request.headers(headers)).build(),
                HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void everyAnswerKeepsTheBrowserFromGuessingFramingAndKeepingIt() throws Exception {
        for (String path : List.of(
                "/api/plant",
                "/api/nothing",
                "/api/plant/export?format=csv",
                "/api/openapi.json",
                "/nothing.js",
                "/")) {
            HttpResponse<String> answer = get(path);
            assertThat(answer.headers().firstValue("X-Content-Type-Options"))
                    .as(path)
                    .hasValue("nosniff");
            assertThat(answer.headers().firstValue("Content-Security-Policy").orElse(""))
                    .as(path)
                    .contains("default-src 'self'", "frame-ancestors 'self'");
            assertThat(answer.headers().firstValue("Referrer-Policy")).as(path).hasValue("same-origin");
            assertThat(answer.headers().firstValue("Cache-Control").orElse(""))
                    .as(path)
                    .contains("no-");
        }
        assertThat(get("/api/plant").headers().firstValue("Cache-Control").orElse(""))
                .contains("no-store");
        assertThat(get("/api/plant").headers().firstValue("Content-Type").orElse(""))
                .startsWith("application/json");
    }

    @Test
    void noOtherSiteIsLetIn() throws Exception {
        HttpResponse<String> asked = get("/api/plant", "Origin", "https://elsewhere.example");
        assertThat(asked.headers().map().keySet())
                .noneMatch(name -> name.toLowerCase(java.util.Locale.ROOT).startsWith("access-control-"));
        HttpResponse<String> before = http.send(
                HttpRequest.newBuilder(URI.create(rovek.address() + "/api/plant/nodes"))
                        .method("OPTIONS", HttpRequest.BodyPublishers.noBody())
                        .headers(
                                "Origin",
                                "https://elsewhere.example",
                                "Access-Control-Request-Method",
                                "POST",
                                "Cookie",
                                caller.cookies())
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(before.headers().map().keySet())
                .noneMatch(name -> name.toLowerCase(java.util.Locale.ROOT).startsWith("access-control-"));
    }

    /** Whether it comes with or without a session. */
    @Test
    void nothingOfTheHousesInsideIsServed() throws Exception {
        for (String path : List.of(
                "/.git/HEAD",
                "/.env",
                "/actuator",
                "/actuator/env",
                "/assets/",
                "/WEB-INF/web.xml",
                "/application.yaml",
                "/v3/api-docs",
                "/swagger-ui.html")) {
            String text = get(path).body();
            assertThat(text)
                    .as(path)
                    .doesNotContain("ref:", "ROVEK_DB", "datasource", "propertySources", "Index of", "openapi");
        }
        assertThat(traced()).startsWith("HTTP/1.1 4").doesNotContain("X-Wanted-Back");
    }

    /** Its own client would not send it. */
    private String traced() throws IOException {
        URI address = URI.create(rovek.address());
        try (Socket socket = new Socket(address.getHost(), address.getPort())) {
            socket.getOutputStream()
                    .write(
                            "TRACE /api/plant HTTP/1.1\r\nHost: localhost\r\nX-Wanted-Back: secret\r\nConnection: close\r\n\r\n"
                                    .getBytes(StandardCharsets.US_ASCII));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void sessionsHaveNamesThatNobodyGuesses() {
        Set<String> names = new HashSet<>();
        for (int i = 0; i < 4; i++) {
            String cookie = Caller.signedIn(rovek.address(), RunningRovek.ADMINISTRATOR, RunningRovek.PASSWORD)
                    .cookies()
                    .replaceAll(".*rovek_session=([^;]+).*", "$1");
            String name = new String(Base64.getDecoder().decode(cookie), StandardCharsets.US_ASCII);
            assertThat(Base64.getUrlDecoder().decode(name))
                    .as("more than 128 bits, of which no UUID has so many")
                    .hasSize(27);
            assertThat(name).as("nor is it one").doesNotMatch("[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-.*");
            names.add(name);
        }
        assertThat(names).hasSize(4);
    }

    /** Every character counts, blanks and strange ones too, and long ones are welcome. */
    @Test
    void aPasswordIsTakenExactlyAsItIsTyped() {
        String sentence = " The pump by the east wall hums a low g, näheres wissen wir nicht " + "and so it goes on";
        caller.post(
                        "/api/accounts",
                        Map.of("name", "sentence", "displayName", "S", "role", "VIEWER", "password", sentence))
                .ok();
        assertThat(new Caller(rovek.address()).signIn("sentence", sentence).status())
                .isEqualTo(200);
        assertThat(new Caller(rovek.address())
                        .signIn("sentence", sentence.strip())
                        .status())
                .isEqualTo(401);
        assertThat(new Caller(rovek.address())
                        .signIn("sentence", sentence.substring(0, 72))
                        .status())
                .isEqualTo(401);
        assertThat(new Caller(rovek.address())
                        .signIn("sentence", sentence.toLowerCase(java.util.Locale.ROOT))
                        .status())
                .isEqualTo(401);
    }

    /** A field that the form has not is no way to more. */
    @Test
    void whoWritesMoreThanTheFormAsksForGetsNoMore() {
        caller.post(
                        "/api/accounts",
                        Map.of(
                                "name",
                                "modest",
                                "displayName",
                                "M",
                                "role",
                                "VIEWER",
                                "password",
                                RunningRovek.PASSWORD))
                .ok();
        Caller modest = Caller.signedIn(rovek.address(), "modest", RunningRovek.PASSWORD);
        modest.post(
                "/api/session/password",
                Map.of(
                        "former",
                        RunningRovek.PASSWORD,
                        "wanted",
                        "another-unheard-of-one",
                        "role",
                        "ADMINISTRATOR",
                        "active",
                        true));
        assertThat(modest.get("/api/session").ok().get("role").asString()).isEqualTo("VIEWER");
    }

    /** Here nobody is named as a proxy. */
    @Test
    void whoIsNoProxyIsNotBelieved() throws Exception {
        HttpResponse<String> answer = get(
                "/api/session",
                "X-Forwarded-Proto",
                "https",
                "X-Forwarded-For",
                "203.0.113.77",
                "Forwarded",
                "for=203.0.113.77;proto=https");
        assertThat(answer.headers().firstValue("Strict-Transport-Security")).isEmpty();
        HttpResponse<String> tried = http.send(
                HttpRequest.newBuilder(URI.create(rovek.address() + "/api/session"))
                        .header("X-Forwarded-For", "203.0.113.77")
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(tried.headers().allValues("Set-Cookie")).noneMatch(cookie -> cookie.startsWith("__Host-"));
        Caller guesser = new Caller(rovek.address());
        guesser.signIn("administrator-of-nothing", "wrong");
        assertThat(caller.get("/api/audit").ok().toString())
                .contains("127.0.0.1")
                .doesNotContain("203.0.113.77");
    }

    @Test
    void aSessionHasAnotherNameAfterSignInAndNoneAfterSignOut() {
        caller.post(
                        "/api/accounts",
                        Map.of(
                                "name",
                                "twice",
                                "displayName",
                                "T",
                                "role",
                                "VIEWER",
                                "password",
                                RunningRovek.PASSWORD))
                .ok();
        Caller twice = Caller.signedIn(rovek.address(), "twice", RunningRovek.PASSWORD);
        String first = twice.cookies().replaceAll(".*(rovek_session=[^;]+).*", "$1");
        twice.signIn("twice", RunningRovek.PASSWORD);
        String second = twice.cookies().replaceAll(".*(rovek_session=[^;]+).*", "$1");
        assertThat(second).isNotEqualTo(first);
        assertThat(statusWith(first)).as("the one before").isEqualTo(401);
        assertThat(statusWith(second)).isEqualTo(200);
        twice.delete("/api/session").ok();
        assertThat(statusWith(second)).as("signed out").isEqualTo(401);
    }

    private int statusWith(String cookie) {
        try {
            return http.send(
                            HttpRequest.newBuilder(URI.create(rovek.address() + "/api/plant"))
                                    .header("Cookie", cookie)
                                    .build(),
                            HttpResponse.BodyHandlers.discarding())
                    .statusCode();
        } catch (IOException e) {
            throw new AssertionError(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(e);
        }
    }

    /** Whatever a file, and the instrument it is said to be of, were called where they came from. */
    @Test
    void aDownloadIsNamedByUs() throws Exception {
        PackedReading reading = new PackedReading(
                "r",
                Instant.parse("2026-11-23T10:00:00Z"),
                "gauge",
                Optional.empty(),
                "G",
                "",
                Optional.empty(),
                Map.of("quantity", "pressure"),
                new PackedCapture.Plain(new ValueCapture(new Amount(2, UnitCatalogue.BAR))));
        Maker maker = new Maker(
                "Elsewhere", Optional.of(new Maker.MakingInstrument("Maker", "M/../1", "70\"; filename=x.exe", "1.0")));
        byte[] packed =
                ReadingsPackage.pack(Instant.parse("2026-11-23T10:00:00Z"), maker, Optional.empty(), List.of(reading));
        assertThat(caller.awaitJob(caller.sendFile("/api/originals", "..\\..\\a b;=ä.zip", packed)
                                .ok())
                        .get("state")
                        .asString())
                .isEqualTo("DONE");
        JsonNode instrument = caller.get("/api/instruments")
                .ok()
                .valueStream()
                .filter(one -> one.get("serial").asString().startsWith("70"))
                .findFirst()
                .orElseThrow();
        JsonNode original = caller.get(
                        "/api/instruments/" + instrument.get("id").asString() + "/originals")
                .ok()
                .get(0);
        HttpResponse<String> file = get("/api/originals/" + original.get("id").asString() + "/file");
        assertThat(file.headers().allValues("Content-Disposition"))
                .singleElement()
                .asString()
                .matches("attachment; filename=\"[A-Za-z0-9._-]+\\.zip\"")
                .doesNotContain("..");
        assertThat(file.headers().firstValue("Content-Type")).hasValue("application/zip");
    }
}
