package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.fieldsim.Fieldsim;

/** Whatever goes wrong: passwords, their hashes and pass codes stand in no answer, no log and no trail. */
@ExtendWith(OneRovek.class)
class SecretsStayTest {

    private static final String PASSWORD = "an-unheard-of-river-42";
    private static final String PASS_CODE = "4711";
    private static final String WRONG_CODE = "98237465";

    private final ListAppender<ILoggingEvent> logged = new ListAppender<>();
    private final RunningRovek rovek;
    private final Caller caller;

    SecretsStayTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
    }

    @Test
    void secretsStandInNoAnswerNoLogAndNoTrail(@TempDir java.nio.file.Path memory) {
        Logger root = (Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
        logged.start();
        root.addAppender(logged);
        List<String> said = new ArrayList<>();
        try (FieldDay field =
                new FieldDay(Fieldsim.Kind.VIBRATION, UUID.randomUUID().toString(), memory)) {
            Map<String, Object> account =
                    Map.of("name", "secretive", "displayName", "S", "role", "VIEWER", "password", PASSWORD);
            said.add(caller.post("/api/accounts", account).text());
            said.add(caller.post("/api/accounts", account).text());
            // A row that the database refuses, as in a race: its detail would hold the hash.
            rovek.bean(JdbcClient.class)
                    .sql("ALTER TABLE account ADD CONSTRAINT nobody_more CHECK (name <> 'refused')")
                    .update();
            said.add(caller.post(
                            "/api/accounts",
                            Map.of("name", "refused", "displayName", "R", "role", "VIEWER", "password", PASSWORD))
                    .text());
            said.add(new Caller(rovek.address())
                    .signIn("secretive", PASSWORD + "x")
                    .text());
            said.add(new Caller(rovek.address())
                    .signIn(PASSWORD, "typed-the-wrong-way-round")
                    .text());
            said.add(caller.post("/api/session/password", Map.of("former", PASSWORD, "wanted", PASSWORD))
                    .text());
            Map<String, Object> connection =
                    Map.of("host", "127.0.0.1", "port", field.instrumentPort(), "passCode", WRONG_CODE);
            said.add(caller.post("/api/connections", connection).text());
            String instrument = field.connect(caller);
            said.add(caller.get("/api/connections").text());
            said.add(
                    caller.get("/api/instruments/" + instrument + "/connection").text());
            said.add(caller.get("/api/accounts").text());
            said.add(caller.get("/api/audit").text());
            said.add(caller.get("/api/no-such-thing?password=" + "x").text());
        } finally {
            root.detachAppender(logged);
        }
        logged.list.forEach(event -> {
            said.add(event.getFormattedMessage());
            for (var at = event.getThrowableProxy(); at != null; at = at.getCause()) {
                said.add(String.valueOf(at.getMessage()));
            }
        });
        assertThat(logged.list).as("the refused row was logged").isNotEmpty();
        assertThat(said).allSatisfy(text -> assertThat(text).doesNotContain(PASSWORD, PASS_CODE, WRONG_CODE, "argon2"));
    }
}
