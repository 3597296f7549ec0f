package rovek.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import rovek.core.nameplate.AssetClasses;
import rovek.core.nameplate.Nameplate;
import rovek.core.technique.vibration.Vibration;

class NameplateTest {

    private final Technique vibration = new Vibration();

    private static Nameplate plate(String... pairs) {
        Map<String, String> values = new java.util.HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            values.put(pairs[i], pairs[i + 1]);
        }
        return new Nameplate(values);
    }

    private List<Double> zones(Nameplate plate, Map<String, String> settings) {
        return vibration.proposals(vibration.settingsOf(settings), plate).stream()
                .flatMap(proposal ->
                        List.of(proposal.watch().orElseThrow(), proposal.fail().orElseThrow()).stream())
                .toList();
    }

    /** Each expected pair: ISO 20816-3, tables of zone boundaries, B/C and C/D, mm/s RMS. */
    @Example
    void zonesGoByPowerAndSupport() {
        assertThat(zones(plate("powerKw", "500", "foundation", "rigid"), Map.of()))
                .containsExactly(4.5, 7.1);
        assertThat(zones(plate("powerKw", "500", "foundation", "flexible"), Map.of()))
                .containsExactly(7.1, 11.0);
        assertThat(zones(plate("powerKw", "300", "foundation", "rigid"), Map.of()))
                .as("300 kW is still group 2")
                .containsExactly(2.8, 4.5);
        assertThat(zones(plate("powerKw", "22", "foundation", "flexible"), Map.of()))
                .containsExactly(4.5, 7.1);
    }

    @Example
    void nothingIsProposedThatTheStandardDoesNotCover() {
        assertThat(zones(plate("powerKw", "15", "foundation", "rigid"), Map.of()))
                .as("above 15 kW only")
                .isEmpty();
        assertThat(zones(plate("powerKw", "22"), Map.of()))
                .as("the support is not known")
                .isEmpty();
        assertThat(zones(plate("powerKw", "22", "foundation", "rigid", "speedRpm", "60"), Map.of()))
                .as("slower than 120 rpm")
                .isEmpty();
        assertThat(zones(plate("powerKw", "22", "foundation", "rigid"), Map.of("measure", "acceleration")))
                .isEmpty();
        assertThat(zones(plate("powerKw", "22", "foundation", "rigid"), Map.of("bandLowHz", "100")))
                .as("another band")
                .isEmpty();
    }

    private Map<String, Double> frequencies(Nameplate plate) {
        return vibration.characteristics(plate).stream()
                .collect(Collectors.toMap(Characteristic::id, one -> one.value().value()));
    }

    /** Worked by hand: n = 8, d = 10 mm, D = 40 mm, no angle, 1200 rpm = 20 Hz; ratio 0.25. */
    @Example
    void aBearingShowsItsDefectsWhereItsGeometrySays() {
        Map<String, Double> hz = frequencies(plate(
                "speedRpm", "1200", "bearingBalls", "8", "bearingBallMm", "10", "bearingPitchMm", "40", "blades", "5"));
        assertThat(hz)
                .containsEntry("shaft", 20.0)
                .containsEntry("outer race", 60.0)
                .containsEntry("inner race", 100.0)
                .containsEntry("cage", 7.5)
                .containsEntry("blade pass", 100.0);
        assertThat(hz.get("rolling element")).isCloseTo(37.5, within(1e-9));
        assertThat(frequencies(plate("speedRpm", "1200", "bearingBalls", "8")))
                .as("half a geometry is none")
                .containsOnlyKeys("shaft");
        assertThat(frequencies(plate("bearingBalls", "8", "bearingBallMm", "10", "bearingPitchMm", "40")))
                .as("without speed nothing")
                .isEmpty();
    }

    @Property
    void bothRacesTogetherMeetEveryElementOnceATurn(
            @ForAll @IntRange(min = 3, max = 60) int elements,
            @ForAll @DoubleRange(min = 5, max = 39) double ball,
            @ForAll @IntRange(min = 0, max = 60) int angle) {
        Map<String, Double> hz = frequencies(plate(
                "speedRpm",
                "3000",
                "bearingBalls",
                String.valueOf(elements),
                "bearingBallMm",
                String.valueOf(ball),
                "bearingPitchMm",
                "40",
                "bearingAngleDeg",
                String.valueOf(angle)));
        assertThat(hz.get("outer race") + hz.get("inner race")).isCloseTo(elements * 50.0, within(1e-9));
        assertThat(hz.get("outer race")).isCloseTo(elements * hz.get("cage"), within(1e-9));
    }

    @Example
    void theInnermostPlateCounts() {
        Nameplate plate = Nameplate.of(List.of(Map.of("speedRpm", "1480", "powerKw", "22"), Map.of("speedRpm", "740")));
        assertThat(plate.number(AssetClasses.SPEED_RPM)).hasValue(740);
        assertThat(plate.number(AssetClasses.POWER_KW)).hasValue(22);
    }

    @Example
    void aLineTakesOnlyWhatItIsFor() {
        assertThat(AssetClasses.fault("powerKw", "22")).isEmpty();
        assertThat(AssetClasses.fault("powerKw", "twenty"))
                .hasValueSatisfying(reason -> assertThat(reason)
                        .asString()
                        .startsWith("entry.notInRangeOf")
                        .contains("name=Power"));
        assertThat(AssetClasses.fault("foundation", "soft"))
                .hasValueSatisfying(reason -> assertThat(reason)
                        .asString()
                        .startsWith("entry.notOffered")
                        .contains("rigid")
                        .contains("flexible"));
        assertThat(AssetClasses.fault("colour", "red")).isPresent();
    }

    @Example
    void aMotorShowsAtTheFrequencyOfItsSupplyAndTwiceThat() {
        assertThat(frequencies(plate("speedRpm", "2950", "supplyHz", "50")))
                .containsEntry("line", 50.0)
                .containsEntry("twice line", 100.0);
        assertThat(frequencies(plate("speedRpm", "2950"))).doesNotContainKey("line");
    }
}
