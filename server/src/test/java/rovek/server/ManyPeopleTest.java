package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.server.follow.standing.Standings;
import rovek.server.overview.outline.Outlines;
import rovek.server.people.account.Accounts;

/** Four times as many people as there are connections to the database. */
@ExtendWith(OneRovek.class)
class ManyPeopleTest {

    private static final int PEOPLE = 40;
    private static final int PAGES = 8;

    private final RunningRovek rovek;
    private final Caller caller;
    private final SmallPlant plant;

    ManyPeopleTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    @Test
    void manyWhoWantToKnowHowAChangingPlantStandsDoNotLockTheServerUp() throws Exception {
        List<String> checks = plant.pump("P-1");
        String asset = plant.rows().stream()
                .map(row -> row.get("node"))
                .filter(node -> node.get("tag").asString().equals("P-1"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        Queue<Integer> writing = new ConcurrentLinkedQueue<>();
        List<List<Integer>> reading = Crowd.together(PEOPLE, one -> () -> {
            List<Integer> answers = new ArrayList<>();
            for (int page = 0; page < PAGES; page++) {
                if (one % 4 == 0) {
                    writing.add(caller.limit(checks.get(0), "vibration", "velocity.rms", 1.0 + page, 20.0 + one)
                            .status());
                }
                answers.add(caller.get("/api/nodes/" + asset + "/sheet").status());
                answers.add(caller.post("/api/outline", Map.of()).status());
                answers.add(caller.get("/api/today").status());
            }
            return answers;
        });
        assertThat(reading.stream().flatMap(List::stream))
                .hasSize(PEOPLE * PAGES * 3)
                .allMatch(status -> status == 200);
        assertThat(writing)
                .as("of two who say the same at once, one is told")
                .allMatch(status -> status == 200 || status == 409)
                .contains(200);
    }

    /**
     * Whoever waits for somebody else's judging, or for a core to hash on, must hold no connection that others need.
     */
    @Test
    void whatTakesLongIsNotBegunWithAConnectionInHand() {
        TransactionTemplate transaction = rovek.bean(TransactionTemplate.class);
        Standings standings = rovek.bean(Standings.class);
        Outlines outlines = rovek.bean(Outlines.class);
        Accounts accounts = rovek.bean(Accounts.class);
        List<Runnable> dear =
                List.of(standings::now, outlines::areas, () -> accounts.isPasswordOf("nobody", "whatever it is"));
        dear.forEach(work -> assertThatThrownBy(() -> transaction.executeWithoutResult(status -> work.run()))
                .isInstanceOf(IllegalStateException.class));
        dear.forEach(Runnable::run);
    }

    @Test
    void manyPasswordsAreChangedAtOnceAndTheOthersReadOn() throws Exception {
        Crowd.together(
                PEOPLE,
                one -> () -> caller.post(
                                "/api/accounts",
                                Map.of(
                                        "name",
                                        "person" + one,
                                        "displayName",
                                        "Person " + one,
                                        "role",
                                        "TECHNICIAN",
                                        "password",
                                        "a-first-password"))
                        .ok());
        List<Integer> statuses = Crowd.together(PEOPLE, one -> () -> {
            if (one % 2 == 1) {
                return caller.get("/api/visits").status();
            }
            Caller person = Caller.signedIn(rovek.address(), "person" + one, "a-first-password");
            return person.post(
                            "/api/session/password",
                            Map.of("former", "a-first-password", "wanted", "a-second-password"))
                    .status();
        });
        assertThat(statuses).allMatch(status -> status < 300);
        assertThat(new Caller(rovek.address())
                        .signIn("person2", "a-first-password")
                        .status())
                .isEqualTo(401);
        assertThat(new Caller(rovek.address())
                        .signIn("person2", "a-second-password")
                        .status())
                .isEqualTo(200);
    }
}
