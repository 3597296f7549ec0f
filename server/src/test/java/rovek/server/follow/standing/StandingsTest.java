package rovek.server.follow.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rovek.core.limit.Verdict;
import rovek.server.Caller;
import rovek.server.Entered;
import rovek.server.OneRovek;
import rovek.server.RunningRovek;
import rovek.server.SmallPlant;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.verdict.Verdicts;
import rovek.server.plant.event.ChangedChecks;
import rovek.server.plant.tree.Plant;

/** How the plant stands, where it changes just between asking for the news and asking for the plant. */
@ExtendWith(OneRovek.class)
class StandingsTest {

    private final Caller caller;
    private final SmallPlant plant;
    private final Deque<Runnable> between = new ArrayDeque<>();
    private final Standings standings;
    private final RunningRovek rovek;
    private String client;
    private String site;
    private String asset;
    private String check;

    StandingsTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
        ChangedChecks feed = mock(ChangedChecks.class);
        when(feed.since(anyLong())).thenAnswer(asked -> {
            ChangedChecks.News news = rovek.bean(ChangedChecks.class).since(asked.getArgument(0));
            if (!between.isEmpty()) {
                between.poll().run();
            }
            return news;
        });
        this.standings =
                new Standings(feed, rovek.bean(Plant.class), rovek.bean(Readings.class), rovek.bean(Verdicts.class));
    }

    @BeforeEach
    void plan() {
        client = plant.id(null, "CLIENT", "", "Client " + UUID.randomUUID());
        site = plant.id(client, "SITE", "", "Works");
        String area = plant.id(site, "AREA", "", "Old area");
        asset = plant.id(area, "ASSET", "P-1", "Pump");
        check = plant.check(plant.id(asset, "POINT", "", "Gauge"), "gauge", "Pressure");
        caller.limit(check, "gauge", "pressure", 4.0, 5.0).ok();
        Entered.round(caller, check, "2026-11-20T08:00:00Z", "6 bar");
    }

    private Standing of(String node) {
        return standings.now().of(UUID.fromString(node));
    }

    @Test
    void whatWasMovedInBetweenLeavesNothingWhereItStood() {
        String oldArea = plant.row(asset).get("node").get("parentId").asString();
        String newArea = plant.id(site, "AREA", "", "New area");
        assertThat(of(oldArea).fail()).isEqualTo(1);
        between.add(() -> caller.post(
                        "/api/plant/move",
                        Map.of("changeId", UUID.randomUUID().toString(), "ids", List.of(asset), "parentId", newArea))
                .ok());
        standings.now();
        assertThat(of(oldArea).fail()).as("the machine has left").isZero();
        assertThat(of(newArea).fail()).isEqualTo(1);
        assertThat(of(client).fail()).as("counted once").isEqualTo(1);
    }

    @Test
    void aLimitThatWasSetInBetweenCounts() {
        assertThat(of(check).worst()).isEqualTo(Verdict.FAIL);
        between.add(() -> caller.limit(check, "gauge", "pressure", 40.0, 50.0).ok());
        standings.now();
        assertThat(of(check).worst()).isEqualTo(Verdict.PASS);
        assertThat(of(client).fail()).isZero();
    }

    /** A reading that was discarded by a transaction still under way when somebody looked. */
    @Test
    void whatWasUnderWayWhileSomebodyLookedCountsAfterwards() throws SQLException {
        assertThat(of(check).fail()).isEqualTo(1);
        try (Connection other = rovek.database().connect();
                Statement sql = other.createStatement()) {
            other.setAutoCommit(false);
            sql.execute("UPDATE reading SET discarded_because = 'cable off' WHERE check_id = '%s'".formatted(check));
            assertThat(of(check).fail()).isEqualTo(1);
            assertThat(of(check).fail()).as("looked at twice").isEqualTo(1);
            other.commit();
        }
        assertThat(of(check).fail()).isZero();
    }

    /** What a transaction holds back from the horizon is told at every look: nothing is made of it twice. */
    @Test
    void whatWasJudgedOnceIsNotJudgedAgainWhileAnotherTransactionIsOpen() throws SQLException {
        try (Connection other = rovek.database().connect();
                Statement sql = other.createStatement()) {
            other.setAutoCommit(false);
            sql.execute("SELECT pg_current_xact_id()");
            caller.limit(check, "gauge", "pressure", 40.0, 50.0).ok();
            Entered.round(caller, check, "2026-11-21T08:00:00Z", "45 bar");
            Standings.Moment moment = standings.now();
            assertThat(moment.verdictOf(UUID.fromString(check))).isEqualTo(Verdict.WATCH);
            assertThat(standings.now()).isSameAs(moment);
            assertThat(rovek.bean(Plant.class).tree()).isSameAs(moment.tree());
            other.rollback();
        }
    }

    @Test
    void whatWasRemovedInBetweenIsGone() {
        assertThat(of(client).fail()).isEqualTo(1);
        between.add(() -> plant.remove(asset).ok());
        standings.now();
        assertThat(of(client).fail()).isZero();
        assertThat(of(check).fail()).isZero();
    }
}
