package rovek.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;
import rovek.core.route.LoadGate.GateItem;
import rovek.core.route.LoadGate.Kind;
import rovek.core.route.LoadGate.State;

class LoadGateTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 28);

    private static LoadGate gate(Duration ahead, int battery, LocalDate calibratedUntil, List<String> byHand) {
        return LoadGate.of(new LoadGate.Found(
                List.of(),
                Optional.of(ahead),
                false,
                OptionalInt.of(battery),
                Optional.of(calibratedUntil),
                true,
                TODAY,
                18,
                27,
                byHand,
                13_600_000,
                49_800_000));
    }

    private static GateItem item(LoadGate gate, Kind kind) {
        return gate.items().stream()
                .filter(item -> item.kind() == kind)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aWrongClockAndALowBatteryAreNotPassedOver() {
        LoadGate gate = gate(Duration.ofHours(2).plusSeconds(4), 6, TODAY.plusYears(1), List.of());
        assertThat(item(gate, Kind.CLOCK))
                .isEqualTo(
                        new GateItem(
                                Kind.CLOCK,
                                State.RESOLVE,
                                "2 h 0 min fast",
                                "Readings would be dated 2 h 0 min too late. Exactly that much is probably another time zone."));
        assertThat(item(gate, Kind.BATTERY))
                .isEqualTo(new GateItem(
                        Kind.BATTERY,
                        State.DECIDE,
                        "6 %",
                        "The walk takes about 18 min. Charge it first, or take a spare battery along."));
        assertThat(gate.items()).extracting(GateItem::kind).startsWith(Kind.CLOCK, Kind.BATTERY);
        assertThat(gate.refusal(Set.of())).contains("Clock: 2 h 0 min fast. Battery: 6 %.");
        assertThat(gate.refusal(Set.of(Kind.CLOCK))).contains("Battery: 6 %.");
        assertThat(gate.refusal(Set.of(Kind.CLOCK, Kind.BATTERY))).isEmpty();
    }

    @Test
    void aClockThatIsOffByTheDelayOfAskingIsCorrect() {
        assertThat(item(gate(Duration.ofSeconds(30), 80, TODAY, List.of()), Kind.CLOCK)
                        .state())
                .isEqualTo(State.READY);
        GateItem slow = item(gate(Duration.ofSeconds(-31), 80, TODAY, List.of()), Kind.CLOCK);
        assertThat(slow.state()).isEqualTo(State.RESOLVE);
        assertThat(slow.found()).isEqualTo("31 s slow");
        assertThat(slow.meaning()).isEqualTo("Readings would be dated 31 s too early.");
        assertThat(item(gate(Duration.ofSeconds(7199), 80, TODAY, List.of()), Kind.CLOCK)
                        .found())
                .as("to the minute")
                .isEqualTo("2 h 0 min fast");
        assertThat(item(gate(Duration.ofDays(400), 80, TODAY, List.of()), Kind.CLOCK)
                        .found())
                .isEqualTo("400 days fast");
        assertThat(item(gate(Duration.ofMinutes(17), 80, TODAY, List.of()), Kind.CLOCK)
                        .meaning())
                .doesNotContain("zone");
    }

    @Test
    void aCalibrationIsGoodThroughItsLastDay() {
        assertThat(item(gate(Duration.ZERO, 80, TODAY, List.of()), Kind.CALIBRATION))
                .isEqualTo(new GateItem(
                        Kind.CALIBRATION, State.NOTE, "due on 2026-11-28", "It covers today, not tomorrow."));
        assertThat(item(gate(Duration.ZERO, 80, TODAY.plusDays(31), List.of()), Kind.CALIBRATION)
                        .state())
                .isEqualTo(State.READY);
        GateItem ranOut = item(gate(Duration.ZERO, 80, TODAY.minusDays(1), List.of()), Kind.CALIBRATION);
        assertThat(ranOut.state()).isEqualTo(State.DECIDE);
        assertThat(ranOut.meaning()).isEqualTo("What is measured with it cannot be certified.");
    }

    @Test
    void whatStaysByHandAndTheMemoryAreSaid() {
        LoadGate gate = gate(
                Duration.ZERO, 20, TODAY.plusYears(1), List.of("M-401 Oil", "P-405 Oil", "P-406 Oil", "P-407 Oil"));
        assertThat(item(gate, Kind.BY_HAND))
                .isEqualTo(new GateItem(
                        Kind.BY_HAND,
                        State.NOTE,
                        "4 of 27 stops by hand",
                        "M-401 Oil, P-405 Oil, P-406 Oil and 1 more: not on the instrument. Enter them under Visits."));
        assertThat(item(gate, Kind.MEMORY).meaning()).isEqualTo("13.6 MB needed, 49.8 MB free.");
        assertThat(gate.refusal(Set.of())).isEmpty();
    }

    @Test
    void nobodyLoadsOverWhatCannotBeTakenAndWhatIsNotToldIsOnlyNoted() {
        LoadGate gate = LoadGate.of(new LoadGate.Found(
                List.of("It has no acceleration."),
                Optional.empty(),
                false,
                OptionalInt.empty(),
                Optional.empty(),
                false,
                TODAY,
                0,
                0,
                List.of(),
                0,
                0));
        assertThat(gate.refusal(Set.of(Kind.values()))).contains("It has no acceleration.");
        assertThat(gate.items())
                .extracting(GateItem::state)
                .containsExactly(State.STOP, State.NOTE, State.NOTE, State.NOTE);
    }
}
