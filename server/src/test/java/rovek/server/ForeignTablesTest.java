package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** CSV files of instruments that know nothing of Rovek. */
@ExtendWith(SharedRovek.class)
class ForeignTablesTest {

    private static final String LOG =
            "Tag;When;Pressure [mbar];Temp [degC]\nX-1;13.04.2026 06:00;4200,5;11,2\nX-1;13.04.2026 "
                    + "06:10;4300,0;11,4\nX-9;13.04.2026 06:10;1000,0;\n";

    private final Caller caller;
    private final JsonMapper json = JsonMapper.builder().build();
    private final SmallPlant plant;

    ForeignTablesTest(RunningRovek rovek) {
        caller = Caller.signedIn(rovek);
        plant = new SmallPlant(caller);
    }

    private String machine(String tag) {
        String client = plant.id(null, "CLIENT", "", "Client " + UUID.randomUUID());
        String asset =
                plant.id(plant.id(plant.id(client, "SITE", "", "Works"), "AREA", "", "Hall"), "ASSET", tag, "Pump");
        return plant.check(plant.id(asset, "POINT", "", "Outlet"), "gauge", "Pressure");
    }

    private JsonNode look(String text) {
        return caller.sendFile("/api/foreign-tables/look", "log.csv", text.getBytes(StandardCharsets.UTF_8))
                .ok();
    }

    private Map<String, Object> draft(JsonNode looked, String serial) {
        Map<String, Object> draft = new HashMap<>(json.convertValue(looked.get("draft"), Map.class));
        draft.put("model", "Foreign logger");
        draft.put("serial", serial);
        draft.put("zone", "UTC");
        return draft;
    }

    private Caller.Answer send(String path, String text, Map<String, ?> draft) {
        return caller.sendFile(path, "log.csv", text.getBytes(StandardCharsets.UTF_8), Map.of("draft", draft));
    }

    @Test
    void aTableIsUnderstoodPreviewedTakenOnceAndRemembered() {
        String check = machine("X-1");
        JsonNode looked = look(LOG);
        assertThat(looked.get("isRemembered").asBoolean()).isFalse();
        assertThat(looked.get("draft").get("mark").asString()).isEqualTo("COMMA");
        assertThat(looked.get("draft").get("order").asString()).isEqualTo("DAY_MONTH_YEAR");
        Map<String, Object> draft = draft(looked, "F-1");
        JsonNode preview = send("/api/foreign-tables/preview", LOG, draft).ok();
        assertThat(preview.get("readings").asInt()).isEqualTo(5);
        assertThat(preview.get("placed").asInt())
                .as("pressures of X-1; it has no temperature check, X-9 is unknown")
                .isEqualTo(2);
        assertThat(caller.get("/api/visits")
                        .ok()
                        .valueStream()
                        .filter(visit -> visit.get("instrument").asString().contains("F-1")))
                .as("a preview takes nothing")
                .isEmpty();

        JsonNode taken = send("/api/foreign-tables", LOG, draft).ok();
        assertThat(taken.get("fresh").asInt()).isEqualTo(5);
        assertThat(taken.get("loose").asInt()).isEqualTo(3);
        JsonNode trend = caller.get("/api/checks/" + check + "/trend?result=").ok();
        assertThat(trend.get("points")
                        .valueStream()
                        .map(point -> point.get("value").asDouble()))
                .containsExactly(4.2005, 4.3);
        assertThat(trend.get("points").get(0).get("at").asString()).isEqualTo("2026-04-13T06:00:00Z");

        String longer = LOG + "X-1;14.04.2026 06:00;4400,0;11,6\nX-1;14.04.2026 06:00;4400,0;11,6\n";
        JsonNode again = look(longer);
        assertThat(again.get("isRemembered").asBoolean()).isTrue();
        assertThat(again.get("draft").get("serial").asString()).isEqualTo("F-1");
        JsonNode more = send("/api/foreign-tables", longer, json.convertValue(again.get("draft"), Map.class))
                .ok();
        assertThat(more.get("fresh").asInt())
                .as("a longer table of the same log brings only what is new, and a row that stands twice once")
                .isEqualTo(2);
        assertThat(more.get("visitId").asString())
                .as("another day is another visit")
                .isNotEqualTo(taken.get("visitId").asString());
    }

    @Test
    void theOriginalHoldsTheFileAndCanBeTakenAgain() throws Exception {
        JsonNode taken =
                send("/api/foreign-tables", LOG, draft(look(LOG), "F-2")).ok();
        String instrument = caller.get("/api/visits/" + taken.get("visitId").asString())
                .ok()
                .get("instrument")
                .get("id")
                .asString();
        JsonNode original =
                caller.get("/api/instruments/" + instrument + "/originals").ok().get(0);
        byte[] bytes = caller.get("/api/originals/" + original.get("id").asString() + "/file")
                .bytes();
        try (var zip = new java.util.zip.ZipInputStream(new java.io.ByteArrayInputStream(bytes))) {
            String source = null;
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                source = entry.getName().equals("source/table.csv")
                        ? new String(zip.readAllBytes(), StandardCharsets.UTF_8)
                        : source;
            }
            assertThat(source).isEqualTo(LOG);
        }
        JsonNode again = caller.awaitJob(
                caller.post("/api/originals/" + original.get("id").asString() + "/take", Map.of())
                        .ok());
        assertThat(again.get("sentence").asString()).startsWith("0 new readings, 5 already stored");
    }

    /** Whatever arrives, the answer is a sentence and never a fault of the server. */
    @Test
    void aSpoiltFileOrMeaningIsNeverAFaultOfTheServer() {
        Random random = new Random(20261123);
        JsonNode looked = look(LOG);
        String draft = json.writeValueAsString(draft(looked, "F-9"));
        List<String> oddities =
                List.of("null", "\"\"", "-1", "[]", "\"VALUE\"", "\"\\u0000\"", "\"Europe/Paris\"", "{}");
        int refused = 0;
        for (int i = 0; i < 150; i++) {
            byte[] file = LOG.getBytes(StandardCharsets.UTF_8);
            for (int n = random.nextInt(8); n >= 0; n--) {
                file[random.nextInt(file.length)] = (byte) random.nextInt(256);
            }
            String[] parts = draft.split("(?<=:)", -1);
            int at = 1 + random.nextInt(parts.length - 1);
            parts[at] = parts[at].replaceFirst(
                    "^(\"[^\"]*\"|null)",
                    java.util.regex.Matcher.quoteReplacement(oddities.get(random.nextInt(oddities.size()))));
            Map<String, ?> meant;
            try {
                meant = i % 2 == 0
                        ? json.readValue(draft, Map.class)
                        : json.readValue(String.join("", parts), Map.class);
            } catch (tools.jackson.core.JacksonException e) {
                continue;
            }
            for (Caller.Answer answer : List.of(
                    caller.sendFile("/api/foreign-tables/look", "x.csv", file),
                    caller.sendFile("/api/foreign-tables/preview", "x.csv", file, Map.of("draft", meant)),
                    caller.sendFile("/api/foreign-tables", "x.csv", file, Map.of("draft", meant)))) {
                assertThat(answer.status())
                        .as(meant + "\n" + new String(file, StandardCharsets.ISO_8859_1) + "\n" + answer.text())
                        .isLessThan(500);
                refused += answer.status() >= 400 ? 1 : 0;
            }
        }
        assertThat(refused).isBetween(30, 420);
    }

    @Test
    void whatIsAmbiguousIsAskedAbout() {
        String ambiguous = "Tag,When,Level [mm]\nX-1,03/04/2026 06:00,\"1,234\"\n";
        JsonNode looked = look(ambiguous);
        assertThat(looked.get("orders").size()).isEqualTo(2);
        assertThat(looked.get("dateSample").asString()).isEqualTo("03/04/2026 06:00");
        assertThat(looked.get("draft").get("order").isNull()).isTrue();
        assertThat(looked.get("marks").size()).isEqualTo(2);
        Map<String, Object> draft = draft(looked, "F-3");
        assertThat(send("/api/foreign-tables", ambiguous, draft).sentence())
                .contains("decimal mark is a comma or a point");
        draft.put("mark", "POINT");
        assertThat(send("/api/foreign-tables", ambiguous, draft).sentence()).contains("order of day, month and year");
        draft.put("order", "MONTH_DAY_YEAR");
        JsonNode preview = send("/api/foreign-tables/preview", ambiguous, draft).ok();
        assertThat(preview.get("first").get(0).get("at").asString()).isEqualTo("2026-03-04T06:00:00Z");
        assertThat(preview.get("first").get(0).get("value").asDouble()).isEqualTo(1234);
    }

    @Test
    void badInputIsAClearSentenceAndTakesNothing() {
        Map<String, Object> draft = draft(look(LOG), "F-4");
        assertThat(caller.sendFile("/api/foreign-tables/look", "x.csv", "just words".getBytes())
                        .sentence())
                .contains("no line of headings");
        assertThat(caller.sendFile("/api/foreign-tables/look", "x.csv", new byte[0])
                        .status())
                .isEqualTo(422);
        assertThat(caller.sendFile("/api/foreign-tables/look", "x.zip", new byte[] {'P', 'K', 3, 4, 0, 0, 0, 0})
                        .sentence())
                .contains("not a text table");
        assertThat(caller.sendFile("/api/foreign-tables/look", "x.csv", "Tag;When\n\"never closed;1\n".getBytes())
                        .sentence())
                .contains("quotation mark");
        draft.put("serial", " ");
        assertThat(send("/api/foreign-tables", LOG, draft).sentence()).contains("Enter the instrument that wrote");
        draft.put("serial", "F-4");
        draft.put("zone", "Nowhere/At all");
        assertThat(send("/api/foreign-tables", LOG, draft).sentence()).contains("not a time zone");
        draft.put("zone", "UTC");
        draft.put("columns", List.of());
        assertThat(send("/api/foreign-tables", LOG, draft).sentence()).contains("4 columns, not 0");
        String future = LOG.replace("2026", "2036");
        assertThat(send("/api/foreign-tables", future, draft(look(future), "F-4"))
                        .sentence())
                .contains("in the future");
        byte[] western = LOG.replace("degC", "°C").getBytes(Charset.forName("windows-1252"));
        assertThat(caller.sendFile("/api/foreign-tables/look", "x.csv", western)
                        .ok()
                        .get("draft")
                        .get("columns")
                        .get(3)
                        .get("unit")
                        .asString())
                .isEqualTo("°C");
        assertThat(caller.get("/api/visits")
                        .ok()
                        .valueStream()
                        .filter(visit -> visit.get("instrument").asString().contains("F-4")))
                .isEmpty();
    }

    /** A logger's table became tens of thousands of loose readings, and the page hung. */
    @Test
    void aLogOfThousandsOfRowsIsRefusedWithItsReason() {
        StringBuilder log = new StringBuilder("Time,Pressure [bar]\n");
        for (int i = 0; i < 1_001; i++) {
            log.append("2026-11-01 %02d:%02d:%02d,%s\n".formatted(i / 3_600, i / 60 % 60, i % 60, 3 + i % 7 / 10.0));
        }
        Map<String, Object> draft = draft(look(log.toString()), "F-77");
        JsonNode preview =
                send("/api/foreign-tables/preview", log.toString(), draft).ok();
        assertThat(preview.get("readings").asInt()).as(preview.toString()).isEqualTo(1_001);
        assertThat(preview.get("obstacle").asString())
                .startsWith("This table would become 1,001 loose readings; the tray of a visit holds 1,000.");
        Caller.Answer refused = send("/api/foreign-tables", log.toString(), draft);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.sentence()).isEqualTo(preview.get("obstacle").asString());
    }
}
