package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** How often the main requests ask the database: a fixed number of times, however much there is. */
class StatementsTest {

    /** Finding the session and noting that it is alive are among them. */
    private static final int MOST = 15;

    private static final int FEW = 3;
    private static final int TEN_TIMES = 30;

    private final CountedStatements statements = new CountedStatements();

    /** A house with so many assets, routes, visits, certificates, people and events. */
    private static final class House {

        private final Caller caller;
        private final SmallPlant plant;
        private final String hall;
        private String asset;
        private String check;
        private String visit;
        private String certificate;
        private String route;

        House(Caller caller) {
            this.caller = caller;
            this.plant = new SmallPlant(caller);
            this.hall = plant.id(
                    plant.id(plant.id(null, "CLIENT", "", "Client of all"), "SITE", "", "Works"), "AREA", "", "Hall");
        }

        void grow(int count) {
            for (int i = 0; i < count; i++) {
                one(UUID.randomUUID().toString());
            }
        }

        private void one(String unique) {
            caller.post(
                            "/api/accounts",
                            Map.of(
                                    "name",
                                    "p" + unique.substring(0, 8),
                                    "displayName",
                                    "Person",
                                    "role",
                                    "TECHNICIAN",
                                    "password",
                                    "a-long-password"))
                    .ok();
            Caller person = Caller.signedIn(caller.address(), "p" + unique.substring(0, 8), "a-long-password");
            String area = plant.id(
                    plant.id(plant.id(null, "CLIENT", "", "Client " + unique), "SITE", "", "Works"),
                    "AREA",
                    "",
                    "Hall");
            asset = plant.id(area, "ASSET", "P-" + unique, "Pump");
            String point = plant.id(asset, "POINT", "", "Gauge");
            check = plant.check(point, "gauge", "Pressure");
            String shared = plant.check(
                    plant.id(plant.id(hall, "ASSET", "S-" + unique, "Pump"), "POINT", "", "Gauge"),
                    "gauge",
                    "Pressure");
            String other = plant.check(plant.id(asset, "POINT", "", "Second"), "gauge", "Pressure");
            caller.limit(check, "gauge", "pressure", 4.0, 5.0).ok();
            route = UUID.randomUUID().toString();
            Map<String, Object> draft = new LinkedHashMap<>(Map.of(
                    "name", "Walk " + unique, "checkIds", List.of(check, other, shared), "version", 0, "everyDays", 7));
            draft.put("assignedTo", "p" + unique.substring(0, 8));
            caller.put("/api/routes/" + route, draft).ok();
            Map<String, Object> walk = new LinkedHashMap<>(Map.of(
                    "walkId",
                    UUID.randomUUID().toString(),
                    "skipped",
                    List.of(),
                    "readings",
                    List.of(reading(check, "4.5 bar"), reading(other, "2 bar"), reading(shared, "3 bar"))));
            walk.put("routeId", route);
            visit = person.post("/api/by-hand", walk).ok().get("visitId").asString();
            JsonNode prepared = person.post(
                            "/api/certificates", Map.of("visitId", visit, "checkIds", List.of(check, other)))
                    .ok();
            certificate = prepared.get("id").asString();
        }

        private static Map<String, Object> reading(String check, String written) {
            return Entered.reading(check, "2026-11-20T08:00:00Z", written);
        }

        /** The main requests, by what a person would call them. */
        Map<String, Runnable> requests() {
            Map<String, Runnable> requests = new LinkedHashMap<>();
            requests.put("today", () -> caller.get("/api/today").ok());
            requests.put("outline", () -> caller.post("/api/outline", Map.of()).ok());
            requests.put(
                    "what fails",
                    () -> caller.post("/api/outline", Map.of("filter", Map.of("verdict", "WATCH")))
                            .ok());
            requests.put("find", () -> caller.get("/api/outline/find?text=pump").ok());
            requests.put(
                    "sheet", () -> caller.get("/api/nodes/" + asset + "/sheet").ok());
            requests.put(
                    "trend", () -> caller.get("/api/checks/" + check + "/trend").ok());
            requests.put("visits", () -> caller.get("/api/visits").ok());
            requests.put("visit", () -> caller.get("/api/visits/" + visit).ok());
            requests.put("routes", () -> caller.get("/api/routes").ok());
            requests.put("route", () -> caller.get("/api/routes/" + route).ok());
            requests.put("schedule", () -> caller.get("/api/schedule").ok());
            requests.put("instruments", () -> caller.get("/api/instruments").ok());
            requests.put("register", () -> caller.get("/api/certificates").ok());
            requests.put(
                    "report before signing",
                    () -> caller.get("/api/certificates/" + certificate + "/preview")
                            .ok());
            requests.put(
                    "limits tried on what was measured",
                    () -> caller.post(
                                    "/api/nodes/" + hall + "/limits/gauge/pressure/preview",
                                    Caller.saying(Caller.rule("ABOVE", 4.0, 5.0), null))
                            .ok());
            requests.put(
                    "limits proposed by what was measured",
                    () -> caller.post(
                                    "/api/nodes/" + hall + "/limits/gauge/pressure/proposals/preview",
                                    Map.of("source", "HISTORY"))
                            .ok());
            requests.put("audit trail", () -> caller.get("/api/audit").ok());
            requests.put(
                    "plant's changes", () -> caller.get("/api/plant/changes").ok());
            return requests;
        }
    }

    @Test
    void theMainRequestsAskTheDatabaseAFewTimesHoweverMuchThereIs() {
        try (RunningRovek rovek = RunningRovek.start(statements)) {
            House house = new House(Caller.signedIn(rovek));
            house.grow(FEW);
            Map<String, Integer> few = counted(house);
            house.grow(TEN_TIMES - FEW);
            Map<String, Integer> many = counted(house);
            assertThat(many).as("at ten times the size").isEqualTo(few);
            assertThat(many.values()).as(many.toString()).allMatch(count -> count <= MOST);
            visitsComeInPages(rovek, house.caller);
        }
    }

    private static void visitsComeInPages(RunningRovek rovek, Caller caller) {
        rovek.bean(JdbcClient.class).sql("""
                INSERT INTO visit (id, title, began_at, instrument_id, technician, clock_ahead_seconds, clock_doubt, corrected)
                SELECT gen_random_uuid(), 'Old visit ' || n, timestamptz '2020-01-01' + n * interval '1 day', (SELECT id
                    FROM instrument LIMIT 1), 'administrator', 0, '', false
                FROM generate_series(1, 250) n""").update();
        rovek.bean(JdbcClient.class)
                .sql("INSERT INTO visit_stop (visit_id, place, check_id, progress, note, planned) "
                        + "SELECT v.id, 0, n.id, 'done', '', gen_random_uuid() FROM visit v, (SELECT id FROM node "
                        + "WHERE level = 'CHECK' LIMIT 1) n WHERE v.title LIKE 'Old visit %'")
                .update();
        JsonNode first = caller.get("/api/visits").ok();
        JsonNode second = caller.get("/api/visits?from=200").ok();
        assertThat(first).hasSize(200);
        assertThat(second).hasSize(TEN_TIMES + 250 - 200);
        assertThat(second.get(second.size() - 1).get("title").asString()).isEqualTo("Old visit 1");
        assertThat(caller.get("/api/visits?from=1000").ok()).isEmpty();
    }

    private Map<String, Integer> counted(House house) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        List<String> said = new ArrayList<>();
        house.requests().forEach((name, request) -> {
            // What is judged and summed up once is not part of every request.
            request.run();
            List<String> sent = statements.of(request);
            // The session is looked up once more where an answer is too long for one buffer.
            long session = Math.min(
                    2,
                    sent.stream().filter(one -> one.contains("SPRING_SESSION")).count());
            counts.put(name, (int) (session
                    + sent.stream()
                            .filter(one -> !one.contains("SPRING_SESSION"))
                            .count()));
            said.add(name + ": " + sent.size() + "\n  "
                    + String.join(
                            "\n  ",
                            sent.stream()
                                    .map(one -> one.replaceAll("\\s+", " "))
                                    .toList()));
        });
        if (System.getenv("ROVEK_SAY_STATEMENTS") != null) {
            System.out.println(String.join("\n", said));
        }
        return counts;
    }
}
