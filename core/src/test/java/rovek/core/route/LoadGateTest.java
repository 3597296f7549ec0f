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
import rovek.core.wording.Sentence;

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

    private static final Sentence TWO_HOURS = Sentence.plain("2 h 0 min");
    private static final Sentence FAST = Sentence.of("route.gateFast", "span", TWO_HOURS);
    private static final Sentence SIX_PERCENT = Sentence.of("route.gatePercent", "percent", 6);
    private static final Sentence NO_ACCELERATION = Sentence.plain("It has no acceleration.");

    private static Sentence open(String kind, Sentence found) {
        return Sentence.of("route.gateOpen", "what", Sentence.of("route.gateKind", "kind", kind), "found", found);
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
                .isEqualTo(new GateItem(
                        Kind.CLOCK,
                        State.RESOLVE,
                        FAST,
                        Sentence.joined(List.of(
                                Sentence.of("route.gateTooLate", "span", TWO_HOURS), Sentence.of("route.gateZone")))));
        assertThat(item(gate, Kind.BATTERY))
                .isEqualTo(new GateItem(
                        Kind.BATTERY,
                        State.DECIDE,
                        SIX_PERCENT,
                        Sentence.joined(List.of(
                                Sentence.of("route.gateWalk", "minutes", 18L), Sentence.of("route.gateCharge")))));
        assertThat(gate.items()).extracting(GateItem::kind).startsWith(Kind.CLOCK, Kind.BATTERY);
        Sentence battery = open("battery", SIX_PERCENT);
        assertThat(gate.refusal(Set.of())).contains(Sentence.joined(List.of(open("clock", FAST), battery)));
        assertThat(gate.refusal(Set.of(Kind.CLOCK))).contains(battery);
        assertThat(gate.refusal(Set.of(Kind.CLOCK, Kind.BATTERY))).isEmpty();
    }

    @Test
    void aClockThatIsOffByTheDelayOfAskingIsCorrect() {
        assertThat(item(gate(Duration.ofSeconds(30), 80, TODAY, List.of()), Kind.CLOCK)
                        .state())
                .isEqualTo(State.READY);
        GateItem slow = item(gate(Duration.ofSeconds(-31), 80, TODAY, List.of()), Kind.CLOCK);
        assertThat(slow.state()).isEqualTo(State.RESOLVE);
        assertThat(slow.found()).isEqualTo(Sentence.of("route.gateSlow", "span", Sentence.plain("31 s")));
        assertThat(slow.meaning()).isEqualTo(Sentence.of("route.gateTooEarly", "span", Sentence.plain("31 s")));
        assertThat(item(gate(Duration.ofSeconds(7199), 80, TODAY, List.of()), Kind.CLOCK)
                        .found())
                .as("to the minute")
                .isEqualTo(FAST);
        assertThat(item(gate(Duration.ofDays(400), 80, TODAY, List.of()), Kind.CLOCK)
                        .found())
                .isEqualTo(Sentence.of("route.gateFast", "span", Sentence.of("route.days", "days", 400L)));
        assertThat(item(gate(Duration.ofMinutes(17), 80, TODAY, List.of()), Kind.CLOCK)
                        .meaning())
                .isEqualTo(Sentence.of("route.gateTooLate", "span", Sentence.plain("17 min")));
    }

    @Test
    void aCalibrationIsGoodThroughItsLastDay() {
        assertThat(item(gate(Duration.ZERO, 80, TODAY, List.of()), Kind.CALIBRATION))
                .isEqualTo(new GateItem(
                        Kind.CALIBRATION,
                        State.NOTE,
                        Sentence.of("route.gateDue", "day", TODAY),
                        Sentence.of("route.gateToday")));
        assertThat(item(gate(Duration.ZERO, 80, TODAY.plusDays(31), List.of()), Kind.CALIBRATION)
                        .state())
                .isEqualTo(State.READY);
        GateItem ranOut = item(gate(Duration.ZERO, 80, TODAY.minusDays(1), List.of()), Kind.CALIBRATION);
        assertThat(ranOut.state()).isEqualTo(State.DECIDE);
        assertThat(ranOut.meaning()).isEqualTo(Sentence.of("route.gateNotCertified"));
    }

    @Test
    void whatStaysByHandAndTheMemoryAreSaid() {
        LoadGate gate = gate(
                Duration.ZERO, 20, TODAY.plusYears(1), List.of("M-401 Oil", "P-405 Oil", "P-406 Oil", "P-407 Oil"));
        assertThat(item(gate, Kind.BY_HAND))
                .isEqualTo(new GateItem(
                        Kind.BY_HAND,
                        State.NOTE,
                        Sentence.of("route.gateByHand", "byHand", 4, "stops", 27),
                        Sentence.of("route.gateEnterMore", "places", "M-401 Oil, P-405 Oil, P-406 Oil", "more", 1)));
        assertThat(item(gate, Kind.MEMORY).meaning())
                .isEqualTo(Sentence.of("route.gateMemory", "needed", 13.6, "free", 49.8));
        assertThat(gate.refusal(Set.of())).isEmpty();
    }

    @Test
    void nobodyLoadsOverWhatCannotBeTakenAndWhatIsNotToldIsOnlyNoted() {
        LoadGate gate = LoadGate.of(new LoadGate.Found(
                List.of(NO_ACCELERATION),
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
        assertThat(gate.refusal(Set.of(Kind.values()))).contains(NO_ACCELERATION);
        assertThat(gate.items())
                .extracting(GateItem::state)
                .containsExactly(State.STOP, State.NOTE, State.NOTE, State.NOTE);
    }
}
