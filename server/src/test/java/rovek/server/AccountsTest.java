package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.SQLException;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(OneRovek.class)
class AccountsTest {

    private final RunningRovek rovek;
    private final Caller administrator;

    AccountsTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.administrator = Caller.signedIn(rovek);
    }

    private Caller with(String role, String name) {
        administrator
                .post(
                        "/api/accounts",
                        Map.of(
                                "name",
                                name,
                                "displayName",
                                "Test " + role,
                                "role",
                                role,
                                "password",
                                RunningRovek.PASSWORD))
                .ok();
        return Caller.signedIn(rovek.address(), name, RunningRovek.PASSWORD);
    }

    @Test
    void nothingIsShownToWhoeverIsNotSignedIn() {
        Caller stranger = new Caller(rovek.address());
        for (String path :
                new String[] {"/api/plant", "/api/visits", "/api/certificates", "/api/accounts", "/api/audit"}) {
            assertThat(stranger.get(path).status()).as(path).isEqualTo(401);
        }
    }

    @Test
    void everybodyReadsTheLanguageOfHisChoice() {
        Caller viewer = with("VIEWER", "reader.in.german");
        assertThat(viewer.get("/api/session").ok().get("language").asString()).isEmpty();
        assertThat(viewer.put("/api/session/language", Map.of("language", "de"))
                        .ok()
                        .get("language")
                        .asString())
                .isEqualTo("de");
        for (String wrong : new String[] {"German", "d", "de-de", "de; DROP", "x".repeat(5_000)}) {
            assertThat(viewer.put("/api/session/language", Map.of("language", wrong))
                            .sentence())
                    .as(wrong.substring(0, 1))
                    .isEqualTo("Choose a language from the list.");
        }
        assertThat(viewer.put("/api/session/language", Map.of()).status()).isBetween(400, 499);
        Caller elsewhere = Caller.signedIn(rovek.address(), "reader.in.german", RunningRovek.PASSWORD);
        assertThat(elsewhere.get("/api/session").ok().get("language").asString())
                .isEqualTo("de");
        assertThat(administrator.get("/api/session").ok().get("language").asString())
                .isEmpty();
        assertThat(administrator.get("/api/audit").ok().toString()).contains("choose language");
    }

    @Test
    void eachRoleMayDoItsPartAndNoMore() {
        Map<String, Object> client = Map.of("level", "CLIENT", "name", "Somebody");
        Caller viewer = with("VIEWER", "role.viewer");
        assertThat(viewer.get("/api/plant").status()).isEqualTo(200);
        assertThat(viewer.post("/api/outline", Map.of()).status())
                .as("looking is asked by POST")
                .isEqualTo(200);
        assertThat(viewer.post("/api/bulk", Map.of()).status()).isEqualTo(403);
        Caller.Answer refused = viewer.post("/api/plant/nodes", client);
        assertThat(refused.status()).isEqualTo(403);
        assertThat(refused.sentence()).contains("Your role does not allow this");
        Caller technician = with("TECHNICIAN", "role.technician");
        assertThat(technician.post("/api/plant/nodes", client).status()).isEqualTo(201);
        assertThat(technician
                        .post("/api/certificates/00000000-0000-0000-0000-000000000000/sign", Map.of())
                        .status())
                .isEqualTo(403);
        assertThat(technician.get("/api/accounts").status()).isEqualTo(403);
        Caller reviewer = with("REVIEWER", "role.reviewer");
        assertThat(reviewer.post(
                                "/api/certificates/00000000-0000-0000-0000-000000000000/sign",
                                Map.of("password", "x", "digest", "y"))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aRequestWithoutTheTokenOfThePageIsRefused() {
        assertThat(administrator
                        .call("POST", "/api/plant/nodes", Map.of("level", "CLIENT", "name", "Forged"), "")
                        .status())
                .isEqualTo(403);
    }

    @Test
    void guessingIsSlowedDownEvenForTheRightPassword() {
        with("VIEWER", "guessed");
        Caller guesser = new Caller(rovek.address());
        for (int i = 0; i < 5; i++) {
            assertThat(guesser.signIn("guessed", "wrong-" + i).status()).isEqualTo(401);
        }
        Caller.Answer locked = guesser.signIn("guessed", RunningRovek.PASSWORD);
        assertThat(locked.status()).isEqualTo(429);
        assertThat(locked.sentence()).startsWith("Too many attempts. Wait");
        forget();
    }

    private void forget() {
        try (var db = rovek.database().connect();
                var statement = db.createStatement()) {
            statement.execute("DELETE FROM sign_in_throttle");
        } catch (SQLException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void everyFaultOfANewAccountIsNamedAtOnce() {
        Caller.Answer answer =
                administrator.post("/api/accounts", Map.of("name", "x", "displayName", " ", "password", "short"));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body().get("faults")).hasSize(4);
    }

    @Test
    void theLastAdministratorCannotLockHimselfOut() {
        var me = administrator.get("/api/session").ok();
        Map<String, Object> change = new HashMap<>();
        change.put("role", "VIEWER");
        change.put("version", me.get("version").asInt());
        Caller.Answer answer =
                administrator.patch("/api/accounts/" + me.get("id").asString(), change);
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.sentence()).contains("last administrator");
    }

    @Test
    void aClosedAccountIsOutAtOnce() {
        Caller leaving = with("TECHNICIAN", "leaving");
        var me = leaving.get("/api/session").ok();
        administrator
                .patch(
                        "/api/accounts/" + me.get("id").asString(),
                        Map.of("active", false, "version", me.get("version").asInt()))
                .ok();
        assertThat(leaving.get("/api/plant").status()).isEqualTo(401);
        assertThat(leaving.signIn("leaving", RunningRovek.PASSWORD).status()).isEqualTo(401);
    }

    @Test
    void everybodyChangesHisOwnPasswordAndOtherSessionsEnd() {
        Caller owner = with("VIEWER", "careful");
        Caller elsewhere = Caller.signedIn(rovek.address(), "careful", RunningRovek.PASSWORD);
        Caller.Answer wrong =
                owner.post("/api/session/password", Map.of("former", "wrong", "wanted", "another-long-password"));
        assertThat(wrong.sentence()).contains("The password is not yours");
        assertThat(owner.post("/api/session/password", Map.of("former", RunningRovek.PASSWORD, "wanted", "short"))
                        .status())
                .isEqualTo(422);
        assertThat(owner.post(
                                "/api/session/password",
                                Map.of("former", RunningRovek.PASSWORD, "wanted", "another-long-password"))
                        .status())
                .isEqualTo(204);
        assertThat(owner.get("/api/plant").status())
                .as("the session at hand goes on")
                .isEqualTo(200);
        assertThat(elsewhere.get("/api/plant").status()).isEqualTo(401);
        assertThat(new Caller(rovek.address())
                        .signIn("careful", "another-long-password")
                        .status())
                .isEqualTo(200);
        assertThat(new Caller(rovek.address())
                        .post("/api/session/password", Map.of())
                        .status())
                .isIn(401, 403);
    }

    @Test
    void changesAreInTheAuditTrailAndTheTrailCannotBeChanged() {
        with("VIEWER", "audited");
        assertThat(administrator
                        .get("/api/audit")
                        .ok()
                        .valueStream()
                        .map(line -> line.get("action").asString()))
                .contains("add account", "sign in");
        new Caller(rovek.address()).signIn("audited", "not the password");
        JsonNode german = administrator.in("de").get("/api/audit").ok();
        assertThat(german.valueStream()
                        .filter(line -> line.get("actor").asString().equals("nicht angemeldet")))
                .isNotEmpty();
        assertThat(german.valueStream()
                        .map(line -> line.get("action").asString() + ", "
                                + line.get("subject").asString()))
                .as("worded when they are read")
                .contains("Konto angelegt, Konto");
        assertThat(administrator.get("/api/audit").text()).doesNotContain("argon2");
        assertThatThrownBy(() -> {
                    try (var db = rovek.database().connect();
                            var statement = db.createStatement()) {
                        statement.execute("UPDATE audit_entry SET actor = 'nobody'");
                    }
                })
                .hasMessageContaining("never changed");
    }

    @Test
    void aSessionHoldsOnEveryServerOfTheSameDatabase() {
        Caller first = Caller.signedIn(rovek);
        try (var another = rovek.startAnother()) {
            assertThat(first.onServer(RunningRovek.addressOf(another))
                            .get("/api/session")
                            .status())
                    .isEqualTo(200);
        }
    }
}
