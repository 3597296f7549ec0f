package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Limits over time, what they compare with, and a person's own verdict: from what was written to what is shown. */
@ExtendWith(OneRovek.class)
class JudgingTest extends GaugedPlant {

    JudgingTest(RunningRovek rovek) {
        super(rovek);
    }

    @Test
    void aLimitHoldsFromItsDayAndHistoryIsJudgedAnewOnlyWhereThatIsChosen() {
        caller.limit(pressure, "gauge", "pressure", 4.0, 6.0).ok();
        written(pressure, 4, 5, 5, 5, 5);
        say(pressure, Caller.rule("ABOVE", 2.0, 4.0), daysAgo(2).minusSeconds(60));
        assertThat(verdicts(pressure)).containsExactly("WATCH", "WATCH", "FAIL", "FAIL");
        JsonNode trend = trend(pressure);
        assertThat(trend.get("lines")).hasSize(2);
        assertThat(trend.get("lines").get(0).get("fail").asDouble()).isEqualTo(6);
        assertThat(trend.get("lines").get(1).get("fail").asDouble()).isEqualTo(4);
        assertThat(trend.get("points")
                        .get(3)
                        .get("notes")
                        .get("rejudged")
                        .get("first")
                        .asString())
                .as("it was stored under the limit before")
                .isEqualTo("WATCH");
        assertThat(trend.get("points").get(0).get("notes").isNull()).isTrue();

        say(pressure, Caller.rule("ABOVE", 7.0, 8.0), null);
        assertThat(verdicts(pressure)).containsOnly("PASS");
        assertThat(trend(pressure)
                        .get("points")
                        .get(0)
                        .get("notes")
                        .get("rejudged")
                        .get("first")
                        .asString())
                .isEqualTo("WATCH");
        JsonNode line = caller.get("/api/nodes/" + pressure + "/limits").ok().get(0);
        assertThat(line.get("revisions")).hasSize(3);
        assertThat(line.get("revisions").get(2).get("isInForce").asBoolean()).isTrue();
    }

    @Test
    void aCertifiedVerdictStaysWhateverIsSaidLater() {
        caller.limit(pressure, "gauge", "pressure", 4.0, 6.0).ok();
        written(pressure, 301, 5);
        String certificate = caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", List.of(pressure)))
                .ok()
                .get("id")
                .asString();
        String digest = caller.get("/api/certificates/" + certificate + "/preview")
                .ok()
                .get("digest")
                .asString();
        caller.post(
                        "/api/certificates/" + certificate + "/sign",
                        Map.of("password", RunningRovek.PASSWORD, "digest", digest))
                .ok();
        byte[] before = caller.get("/api/certificates/" + certificate + "/pdf").bytes();
        say(pressure, Caller.rule("ABOVE", 1.0, 2.0), null);
        assertThat(verdicts(pressure)).containsExactly("FAIL");
        assertThat(caller.get("/api/certificates/" + certificate + "/pdf").bytes())
                .isEqualTo(before);
    }

    @Test
    void whatAnAreaSaysIsInheritedAndOverriddenAndInheritedAgain() {
        written(pressure, 2, 5, 5);
        assertThat(standingOf(pressure)).isEqualTo("NOT_JUDGED");
        say(area, Caller.rule("ABOVE", 2.0, 4.0), null);
        assertThat(standingOf(pressure)).isEqualTo("FAIL");
        JsonNode line = caller.get("/api/nodes/" + pressure + "/limits").ok().get(0);
        assertThat(line.get("originId").asString()).isEqualTo(area);
        say(pressure, Caller.rule("ABOVE", 6.0, 8.0), null);
        assertThat(standingOf(pressure)).isEqualTo("PASS");
        Map<String, Object> inherited = new HashMap<>(Map.of("isInherited", true));
        inherited.put("limit", Map.of("rules", List.of(), "hysteresis", 0, "boundaryIsPast", false));
        caller.put(limits(pressure), inherited).ok();
        assertThat(standingOf(pressure)).isEqualTo("FAIL");
    }

    @Test
    void everyRuleIsSaidAndSeenAgainAsItWasSaid() {
        for (String kind :
                List.of("ABOVE", "BELOW", "WITHIN", "OUTSIDE", "TARGET", "BASELINE", "RATE", "SISTERS", "SCATTER")) {
            boolean isLower = kind.equals("BELOW");
            Map<String, Object> rule = Caller.rule(
                    kind,
                    isLower || kind.equals("OUTSIDE") ? 9.0 : 2.0,
                    isLower ? 2.0 : kind.equals("OUTSIDE") ? 8.0 : 9.0);
            if (kind.equals("WITHIN") || kind.equals("OUTSIDE")) {
                rule.put("watchLow", kind.equals("WITHIN") ? 1.5 : 0.5);
                rule.put("failLow", 1.0);
            }
            if (kind.equals("TARGET")) {
                rule.put("target", 6.0);
            }
            say(pressure, rule, null);
            JsonNode shown =
                    caller.get("/api/nodes/" + pressure + "/limits").ok().get(0);
            assertThat(shown.get("limit").get("rules").get(0).get("kind").asString())
                    .isEqualTo(kind);
            assertThat(shown.get("limit").get("rules").get(0).get("fail").asDouble())
                    .isEqualTo((Double) rule.get("fail"));
        }
        Map<String, Object> wrong = Caller.rule("WITHIN", 9.0, 8.0);
        assertThat(caller.put(limits(pressure), Caller.saying(wrong, null)).sentence())
                .contains("must be reached before");
        assertThat(caller.put(limits(pressure), Caller.saying(Caller.rule("TARGET", 1.0, 2.0), null))
                        .sentence())
                .contains("Enter the target as a number");
        assertThat(caller.put(limits(pressure), Caller.saying(Caller.rule("ABOVE", 1.0, 2.0), "yesterday"))
                        .sentence())
                .contains("is not a time");
    }

    @Test
    void aRepairStartsANewBaselineAndTakingItOffBringsTheOldOneBack() {
        say(pressure, Caller.rule("BASELINE", 50.0, 100.0), null);
        written(pressure, 20, 2, 2, 2, 2, 2, 5, 1, 1, 1, 1, 1, 2.5);
        assertThat(verdicts(pressure).get(5)).isEqualTo("FAIL");
        assertThat(verdicts(pressure).get(11)).as("beside the first baseline").isEqualTo("PASS");
        assertThat(standingOf(pressure)).isEqualTo("PASS");
        String event = "/api/nodes/" + point + "/events/" + UUID.randomUUID();
        Map<String, Object> repair =
                Map.of("at", daysAgo(15).plusSeconds(60).toString(), "kind", "REPAIR", "words", "New seal");
        caller.put(event, repair).ok();
        assertThat(verdicts(pressure).get(11)).isEqualTo("FAIL");
        assertThat(verdicts(pressure).subList(6, 11)).containsOnly("NOT_JUDGED");
        assertThat(trend(pressure).get("points").get(6).get("reason").asString())
                .contains("baseline is not complete: 1 of 5");
        assertThat(standingOf(pressure)).as("the outline has it, too").isEqualTo("FAIL");
        JsonNode trend = trend(pressure);
        assertThat(trend.get("events").get(0).get("words").asString()).isEqualTo("New seal");
        assertThat(trend.get("baselines")).hasSize(2);
        caller.post("/api/events/" + event.substring(event.lastIndexOf('/') + 1) + "/removal", Map.of())
                .ok();
        assertThat(standingOf(pressure)).isEqualTo("PASS");
        assertThat(caller.put(event, Map.of("at", now.plusSeconds(9_999).toString(), "kind", "REPAIR"))
                        .sentence())
                .contains("cannot be in the future");
        assertThat(caller.put(event, Map.of("at", now.toString(), "kind", "NOTE", "words", " "))
                        .sentence())
                .contains("Enter the text of the note");
    }

    @Test
    void sistersAreComparedAsTheyWere() {
        String second = gaugeOn("P-8");
        String third = gaugeOn("P-9");
        written(second, 4, 2);
        written(third, 3, 2.2);
        written(pressure, 2, 4.4);
        say(area, Caller.rule("SISTERS", 50.0, 100.0), null);
        assertThat(verdicts(pressure)).containsExactly("FAIL");
        assertThat(verdicts(second)).as("nobody was measured before it").containsExactly("NOT_JUDGED");
        assertThat(standingOf(pressure)).isEqualTo("FAIL");
        written(second, 3, 4);
        assertThat(standingOf(pressure))
                .as("a sister's older reading came in late: the median is 3.1 now")
                .isEqualTo("PASS");
        assertThat(trend(pressure)
                        .get("sisters")
                        .valueStream()
                        .map(one -> one.get("assetTag").asString()))
                .containsExactly("P-8", "P-9");
        assertThat(trend(pressure).get("lines").get(0).get("fail").asDouble()).isEqualTo(6.2);
    }

    /**
     * The fault that was seen: a check whose limit began after its newest reading had a limit in one place and none in
     * another.
     */
    @Test
    void aSheetSaysThatACheckHasALimitAlsoWhereItsNewestReadingIsOlder() {
        written(pressure, 3, 5);
        say(pressure, Caller.rule("ABOVE", 2.5, 4.5), now);
        JsonNode check = caller.get("/api/nodes/" + pressure + "/sheet")
                .ok()
                .get("checks")
                .get(0);
        assertThat(check.get("fail").isNull()).as("it was judged by none").isTrue();
        assertThat(check.get("reason").asString()).isEqualTo("no limit was effective when it was measured");
        assertThat(check.get("limitNow").asString()).isEqualTo("2.5/4.5 bar");
        assertThat(trend(pressure).get("points").get(0).get("reason").asString())
                .isEqualTo("no limit was effective when it was measured");
        caller.put(limits(pressure), Map.of("isInherited", false)).ok();
        assertThat(caller.get("/api/nodes/" + pressure + "/sheet")
                        .ok()
                        .get("checks")
                        .get(0)
                        .get("limitNow")
                        .asString())
                .isEmpty();
    }

    /** The fault that was seen: the demonstration's limit was the wrong way round, and a clear drain a fail. */
    @Test
    void aQuestionTakesItsRightAnswerAsItsLimit() {
        String drain = plant.check(
                plant.id(plant.id(area, "ASSET", "P-7", "Pump"), "POINT", "", "Drain"), "question", "Yes or no");
        JsonNode taken = caller.post(
                        "/api/nodes/" + drain + "/limits/question/answer.yes/proposals", Map.of("source", "STANDARD"))
                .ok();
        assertThat(taken.get("checks").asInt()).isEqualTo(1);
        for (String answer : List.of("yes", "no")) {
            Entered.round(caller, drain, daysAgo(answer.equals("yes") ? 2 : 1).toString(), answer);
        }
        assertThat(trend(drain)
                        .get("points")
                        .valueStream()
                        .map(point -> point.get("verdict").asString()))
                .containsExactly("PASS", "FAIL");
    }

    @Test
    void aPersonsVerdictStandsEverywhereWithTheComputedOneBesideIt() {
        caller.limit(pressure, "gauge", "pressure", 4.0, 6.0).ok();
        written(pressure, 2, 5, 7);
        String reading = trend(pressure).get("points").get(1).get("readingId").asString();
        assertThat(caller.post(
                                "/api/overrides",
                                Map.of("readingIds", List.of(reading), "verdict", "PASS", "reason", " "))
                        .sentence())
                .contains("Enter the reason");
        JsonNode done = caller.post(
                        "/api/overrides",
                        Map.of(
                                "readingIds",
                                List.of(reading),
                                "verdict",
                                "PASS",
                                "reason",
                                "Valve was shut for a test"))
                .ok();
        assertThat(verdicts(pressure)).containsExactly("WATCH", "PASS");
        assertThat(standingOf(pressure)).isEqualTo("PASS");
        JsonNode row = caller.get("/api/visits/" + visit).ok().get("rows").get(0);
        assertThat(row.get("verdict").asString()).isEqualTo("PASS");
        assertThat(row.get("notes").get("overridden").get("computed").asString())
                .isEqualTo("FAIL");
        String certificate = caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", List.of(pressure)))
                .ok()
                .get("id")
                .asString();
        String paper = caller.get("/api/certificates/" + certificate + "/preview")
                .ok()
                .get("html")
                .asString();
        assertThat(paper)
                .contains("Verdicts overridden by a person")
                .contains("pass instead of fail")
                .contains("Valve was shut for a test")
                .contains("Of these verdicts 1 was overridden by a person.");
        caller.post("/api/corrections/" + done.get("id").asString() + "/undo", Map.of())
                .ok();
        assertThat(standingOf(pressure)).isEqualTo("FAIL");
    }

    @Test
    void aTrendThatLeadsToTheLimitSaysWhen() {
        caller.limit(pressure, "gauge", "pressure", 4.0, 6.0).ok();
        written(pressure, 40, 2, 2.05, 2.1, 2.16, 2.2, 2.25, 2.29, 2.35, 2.4, 2.45);
        JsonNode course = trend(pressure).get("course");
        assertThat(course.get("finding").asString()).isEqualTo("TREND");
        Instant at = Instant.parse(course.get("reaching").get("at").asString());
        assertThat(course.get("reaching").get("boundary").asString()).isEqualTo("FAIL");
        // 0.05 bar a day from 2 bar: 6 bar after 80 days, which is 40 days from now.
        assertThat(ChronoUnit.DAYS.between(now, at)).as(course.toString()).isBetween(20L, 60L);
        assertThat(Instant.parse(course.get("reaching").get("earliest").asString()))
                .isBefore(at);
    }

    @Test
    void whatGotWorseSinceLastTimeIsSaid() {
        caller.limit(pressure, "gauge", "pressure", 4.0, 6.0).ok();
        written(pressure, 2, 3, 5);
        assertThat(plant.standing(area).get("worse").asInt()).isEqualTo(1);
        JsonNode line =
                caller.get("/api/nodes/" + area + "/sheet").ok().get("checks").get(0);
        assertThat(line.get("verdictBefore").asString()).isEqualTo("PASS");
        JsonNode item = caller.get("/api/today")
                .ok()
                .get("items")
                .valueStream()
                .filter(one -> one.get("kind").asString().equals("WATCH")
                        && one.get("worse").asInt() == 1)
                .findFirst()
                .orElseThrow();
        assertThat(item.get("tag").asString()).isEqualTo("P-7");
    }

    @Test
    void aLimitTypedOverAnotherKeepsWhatWasSaid() {
        caller.limit(pressure, "gauge", "pressure", 4.0, 6.0).ok();
        written(pressure, 2, 5);
        caller.post(
                        "/api/bulk",
                        Map.of(
                                "ids",
                                List.of(pressure),
                                "facets",
                                Map.of("limit.gauge.pressure", "within 1..2/0.5..3 bar")))
                .ok();
        assertThat(verdicts(pressure)).as("it holds from now on").containsExactly("WATCH");
        assertThat(caller.get("/api/nodes/" + pressure + "/limits").ok().get(0).get("revisions"))
                .hasSize(2);
        assertThat(caller.post(
                                "/api/bulk",
                                Map.of("ids", List.of(pressure), "facets", Map.of("limit.gauge.pressure", "1/2 °C")))
                        .sentence())
                .contains("must be in bar or a unit of the same kind");
    }
}
