package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Strangers who want in, behind a proxy whose word on addresses counts. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class AtTheGateTest {

    private RunningRovek rovek;
    private Caller administrator;
    private JdbcClient db;

    @BeforeAll
    void start() {
        rovek = RunningRovek.start("--rovek.proxies=127.0.0.1");
        administrator = Caller.signedIn(rovek);
        db = rovek.bean(JdbcClient.class);
    }

    @AfterAll
    void stop() {
        rovek.close();
    }

    @AfterEach
    void forget() {
        db.sql("DELETE FROM sign_in_throttle").update();
    }

    private void add(String name, String role) {
        administrator
                .post(
                        "/api/accounts",
                        Map.of("name", name, "displayName", name, "role", role, "password", RunningRovek.PASSWORD))
                .ok();
    }

    /** Somebody at an address, as the proxy says. */
    private final class Stranger {

        private final String address;
        private final CookieManager cookies = new CookieManager();
        private final HttpClient http =
                HttpClient.newBuilder().cookieHandler(cookies).build();

        Stranger(String address) {
            this.address = address;
        }

        HttpResponse<String> call(String method, String path, String body) throws Exception {
            return http.send(
                    HttpRequest.newBuilder(URI.create(rovek.address() + path))
                            .header("X-Forwarded-For", address)
                            .header("X-Forwarded-Proto", "https")
                            .header("Content-Type", "application/json")
                            .header("X-XSRF-TOKEN", token())
                            .method(
                                    method,
                                    body == null
                                            ? HttpRequest.BodyPublishers.noBody()
                                            : HttpRequest.BodyPublishers.ofString(body))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
        }

        /** The cookies are for https only: this client, which does not speak it, is handed them by hand. */
        String token() {
            return cookies.getCookieStore().getCookies().stream()
                    .filter(cookie -> cookie.getName().equals("__Host-XSRF-TOKEN"))
                    .map(HttpCookie::getValue)
                    .findFirst()
                    .orElse("");
        }

        int signIn(String name, String password) throws Exception {
            return signedIn(name, password).statusCode();
        }

        HttpResponse<String> signedIn(String name, String password) throws Exception {
            HttpResponse<String> page = call("GET", "/api/session", null);
            String cookie = page.headers().allValues("Set-Cookie").stream()
                    .filter(one -> one.startsWith("__Host-XSRF-TOKEN="))
                    .findFirst()
                    .orElse("")
                    .replaceAll(";.*", "");
            return http.send(
                    HttpRequest.newBuilder(URI.create(rovek.address() + "/api/session"))
                            .header("X-Forwarded-For", address)
                            .header("X-Forwarded-Proto", "https")
                            .header("Content-Type", "application/json")
                            .header("X-XSRF-TOKEN", cookie.replace("__Host-XSRF-TOKEN=", ""))
                            .header("Cookie", cookie)
                            .POST(HttpRequest.BodyPublishers.ofString(
                                    "{\"name\":\"%s\",\"password\":\"%s\"}".formatted(name, password)))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
        }
    }

    @Test
    void anOutsiderKeepsNobodyOut() throws Exception {
        add("wanted", "TECHNICIAN");
        Stranger outsider = new Stranger("203.0.113.7");
        for (int i = 0; i < 5; i++) {
            assertThat(outsider.signIn("wanted", "wrong " + i)).isEqualTo(401);
        }
        assertThat(outsider.signIn("wanted", RunningRovek.PASSWORD))
                .as("he has to wait")
                .isEqualTo(429);
        assertThat(new Stranger("198.51.100.9").signIn("wanted", RunningRovek.PASSWORD))
                .as("its owner, elsewhere")
                .isEqualTo(200);
        assertThat(outsider.signIn("wanted", "wrong again")).as("still").isEqualTo(429);
        assertThat(administrator.get("/api/audit").ok().toString())
                .contains("sign-in failed", "sign-in delayed", "203.0.113.7");
    }

    @Test
    void manyTriesAtOnceAreNoMoreThanOneAfterTheOther() throws Exception {
        add("rushed", "VIEWER");
        List<Integer> statuses =
                Crowd.together(24, one -> () -> new Stranger("203.0.113.8").signIn("rushed", "wrong " + one));
        assertThat(statuses.stream().filter(status -> status == 401).count()).isLessThanOrEqualTo(5);
        assertThat(statuses).containsOnly(401, 429);
    }

    @Test
    void whoeverTriesManyNamesIsSlowedDownToo() throws Exception {
        Stranger sprayer = new Stranger("203.0.113.9");
        int failed = 0;
        while (failed < 120 && sprayer.signIn("nobody" + failed, "spring-2026") == 401) {
            failed++;
        }
        assertThat(failed).isEqualTo(100);
        assertThat(administrator.get("/api/audit").ok().toString())
                .as("what was typed for a name may be a password")
                .doesNotContain("nobody0");
    }

    /** Whatever is typed for a name, and however often: an answer, and one line for each wait. */
    @Test
    void whatIsTypedForANameIsBoundedAndPuttingOffIsToldOnce() throws Exception {
        StringBuilder endless = new StringBuilder();
        java.util.Random random = new java.util.Random(1);
        while (endless.length() < 6_000) {
            endless.append(Long.toString(Math.abs(random.nextLong()), 36));
        }
        Stranger stranger = new Stranger("203.0.113.10");
        assertThat(stranger.signIn(endless.toString(), "whatever")).isEqualTo(401);
        db.sql(
                        "INSERT INTO sign_in_throttle (key, failures, last_failure_at) VALUES ('name somebody at 203.0.113.10', 14, now())")
                .update();
        for (int i = 0; i < 10; i++) {
            assertThat(stranger.signIn("somebody", "wrong")).isEqualTo(429);
        }
        assertThat(db.sql(
                                "SELECT count(*) FROM audit_entry WHERE action = 'sign-in put off' AND after LIKE '%203.0.113.10%'")
                        .query(Integer.class)
                        .single())
                .isEqualTo(1);
    }

    @Test
    void whatWasQuietForAnHourIsForgotten() throws Exception {
        add("early", "TECHNICIAN");
        db.sql("INSERT INTO sign_in_throttle (key, failures, last_failure_at) "
                        + "VALUES ('long ago', 9, now() - interval '61 minutes'), ('just now', 9, now() - interval "
                        + "'50 minutes')")
                .update();
        assertThat(new Stranger("203.0.113.11").signIn("early", RunningRovek.PASSWORD))
                .isLessThan(300);
        assertThat(db.sql("SELECT key FROM sign_in_throttle WHERE failures > 0")
                        .query(String.class)
                        .list())
                .containsExactly("just now");
    }

    @Test
    void aPasswordIsNotGuessedInsideASessionEither() {
        add("inside", "REVIEWER");
        Caller inside = Caller.signedIn(rovek.address(), "inside", RunningRovek.PASSWORD);
        for (int i = 0; i < 5; i++) {
            assertThat(inside.post(
                                    "/api/session/password",
                                    Map.of("former", "wrong " + i, "wanted", "another-long-password"))
                            .status())
                    .isEqualTo(422);
        }
        assertThat(inside.post(
                                "/api/session/password",
                                Map.of("former", RunningRovek.PASSWORD, "wanted", "another-long-password"))
                        .status())
                .isEqualTo(429);
        assertThat(administrator.get("/api/audit").ok().toString()).contains("wrong password to change it");
    }

    private int statusWith(String cookie, String protocol) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create(rovek.address() + "/api/plant"))
                .headers("X-Forwarded-For", "198.51.100.1", "X-Forwarded-Proto", protocol, "Cookie", cookie)
                .build();
        return HttpClient.newHttpClient()
                .send(request, HttpResponse.BodyHandlers.discarding())
                .statusCode();
    }

    @Test
    void behindHttpsCookiesAreForHttpsOnlyAndTheBrowserIsToldSo() throws Exception {
        HttpResponse<String> page = new Stranger("198.51.100.1").call("GET", "/api/session", null);
        assertThat(page.headers().firstValue("Strict-Transport-Security").orElse(""))
                .contains("max-age=");
        HttpResponse<String> signedIn = new Stranger("198.51.100.1").signedIn("administrator", RunningRovek.PASSWORD);
        assertThat(signedIn.statusCode()).isEqualTo(200);
        List<String> set = Stream.concat(
                        page.headers().allValues("Set-Cookie").stream(),
                        signedIn.headers().allValues("Set-Cookie").stream())
                .toList();
        assertThat(set)
                .allMatch(cookie -> cookie.startsWith("__Host-")
                        && cookie.contains("Secure")
                        && cookie.contains("Path=/")
                        && cookie.contains("SameSite=Lax")
                        && !cookie.contains("Domain="));
        assertThat(set)
                .anyMatch(cookie -> cookie.startsWith("__Host-XSRF-TOKEN="))
                .anyMatch(cookie -> cookie.matches("__Host-rovek_session=.*HttpOnly.*"));
        String session = set.stream()
                .filter(cookie -> cookie.startsWith("__Host-rovek_session="))
                .findFirst()
                .orElseThrow()
                .replaceAll(";.*", "");
        assertThat(statusWith(session, "https")).as("known again").isEqualTo(200);
        assertThat(statusWith(session, "http")).as("not without https").isEqualTo(401);
        assertThat(statusWith(session.replace("__Host-", ""), "https"))
                .as("nor by the name that a neighbour could give it")
                .isEqualTo(401);
        assertThat(page.headers().firstValue("Referrer-Policy")).hasValue("same-origin");
        assertThat(page.headers().firstValue("Content-Security-Policy").orElse(""))
                .contains("base-uri 'none'", "form-action 'self'", "object-src 'none'");
    }

    @Test
    void theTokenOfThePageIsAnotherOneOnceSomebodyIsSignedIn() {
        Caller caller = new Caller(rovek.address());
        caller.get("/api/session");
        String before = caller.cookies();
        caller.signIn("administrator", RunningRovek.PASSWORD);
        String token = before.replaceAll(".*XSRF-TOKEN=([^;]+).*", "$1");
        assertThat(token).isNotBlank().doesNotContain("=");
        assertThat(caller.cookies()).doesNotContain(token);
        assertThat(caller.call("POST", "/api/plant/nodes", Map.of(), token).status())
                .as("the old one")
                .isEqualTo(403);
    }

    @Test
    void aSessionEndsADayAfterItsBeginningHoweverBusyItIs() {
        add("busy", "VIEWER");
        Caller busy = Caller.signedIn(rovek.address(), "busy", RunningRovek.PASSWORD);
        assertThat(busy.get("/api/plant").status()).isEqualTo(200);
        db.sql(
                        "UPDATE spring_session SET creation_time = creation_time - 86400000 - 1000 WHERE principal_name = 'busy'")
                .update();
        assertThat(busy.get("/api/plant").status()).isEqualTo(401);
    }

    @Test
    void whatIsGuessedFirstIsNoPassword() {
        for (String easy : List.of(
                "password123",
                "Passw0rd123",
                "1234567890",
                "qwertyuiop",
                "aaaaaaaaaaaa",
                "rovekrovek",
                "carla.klein",
                "letmein2026")) {
            Caller.Answer answer = administrator.post(
                    "/api/accounts",
                    Map.of("name", "carla.klein", "displayName", "Carla Klein", "role", "VIEWER", "password", easy));
            assertThat(answer.status()).as(easy).isEqualTo(422);
            assertThat(answer.sentence()).contains("first that are guessed");
        }
    }

    @Test
    void twoAdministratorsCannotMakeEachOtherLess() throws Exception {
        try (RunningRovek other = RunningRovek.start()) {
            Caller first = Caller.signedIn(other);
            first.post(
                            "/api/accounts",
                            Map.of(
                                    "name",
                                    "second",
                                    "displayName",
                                    "Second",
                                    "role",
                                    "ADMINISTRATOR",
                                    "password",
                                    RunningRovek.PASSWORD))
                    .ok();
            for (int round = 0; round < 6; round++) {
                Caller second = Caller.signedIn(other.address(), "second", RunningRovek.PASSWORD);
                Caller again = Caller.signedIn(other.address(), "administrator", RunningRovek.PASSWORD);
                List<Caller> both = List.of(again, second);
                List<JsonNode> targets = List.of(
                        second.get("/api/session").ok(),
                        again.get("/api/session").ok());
                List<Integer> statuses = Crowd.together(
                        2,
                        one -> () -> both.get(one)
                                .patch(
                                        "/api/accounts/"
                                                + targets.get(one).get("id").asString(),
                                        change(targets.get(one), "VIEWER"))
                                .status());
                List<Map<String, Object>> administrators = other.bean(JdbcClient.class)
                        .sql("SELECT name FROM account WHERE active AND role = 'ADMINISTRATOR'")
                        .query()
                        .listOfRows();
                assertThat(administrators).as("%s", statuses).isNotEmpty();
                other.bean(JdbcClient.class)
                        .sql("UPDATE account SET role = 'ADMINISTRATOR'")
                        .update();
            }
        }
    }

    private static Map<String, Object> change(JsonNode account, String role) {
        Map<String, Object> change = new HashMap<>();
        change.put("role", role);
        change.put("version", account.get("version").asInt());
        return change;
    }

    @Test
    void whoHasTheServersShellComesBackIn() {
        try (TestDatabase database = TestDatabase.create()) {
            try (RunningRovek before = RunningRovek.startOn(database)) {
                before.bean(JdbcClient.class)
                        .sql("UPDATE account SET active = false")
                        .update();
                assertThat(new Caller(before.address())
                                .signIn("administrator", RunningRovek.PASSWORD)
                                .status())
                        .isEqualTo(401);
            }
            try (RunningRovek after = RunningRovek.startOn(
                    database, "--rovek.way-back.name=administrator", "--rovek.way-back.password=an-unheard-of-river")) {
                Caller back = Caller.signedIn(after.address(), "administrator", "an-unheard-of-river");
                assertThat(back.get("/api/accounts").ok()).hasSize(1);
                assertThat(back.get("/api/audit").ok().toString()).contains("change account and password");
            }
        }
    }
}
