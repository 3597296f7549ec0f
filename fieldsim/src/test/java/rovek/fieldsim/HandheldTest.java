package rovek.fieldsim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rovek.core.technique.vibration.Vibration;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.Walk.Progress;

/** The stand-in as a technician holds it. */
class HandheldTest {

    private static final Instant NOW = Instant.parse("2026-11-23T09:00:00Z");
    private final UUID first = UUID.randomUUID();
    private final UUID second = UUID.randomUUID();

    @TempDir
    Path folder;

    private Faults faults;
    private Handheld handheld;

    @BeforeEach
    void switchOn() {
        faults = new Faults();
        handheld = new Handheld(
                HandheldModel.vibration(LocalDate.of(2026, 11, 23)),
                new HandheldMemory(folder, 400_000),
                new SimulatedClock(Clock.fixed(NOW, ZoneOffset.UTC)),
                new PlantSensing(new SimulatedPlant(NOW.minus(Duration.ofDays(365)), 1)),
                faults);
    }

    private byte[] route(String name) {
        Map<String, String> settings = new Vibration().defaults();
        return new RoutePackage(
                        UUID.randomUUID(),
                        name,
                        NOW,
                        List.of(
                                new RoutePackage.RouteStop(
                                        first, "P-1", "Pump", "Drive end", "Velocity", "vibration", settings),
                                new RoutePackage.RouteStop(
                                        second, "P-2", "Pump", "Drive end", "Velocity", "vibration", settings)))
                .pack();
    }

    private Progress progress(UUID stop) {
        return handheld.walk().orElseThrow().stop(stop).progress();
    }

    private ReadingsPackage results(String file) throws Exception {
        return ReadingsPackage.unpack(handheld.file(file).orElseThrow());
    }

    @Test
    void aStopIsToDoThenBegunThenDone() {
        handheld.load(route("Walk"));
        assertThat(progress(first)).isEqualTo(Progress.TO_DO);
        handheld.begin(first);
        assertThat(progress(first)).isEqualTo(Progress.BEGUN);
        handheld.measure(first);
        assertThat(progress(first)).isEqualTo(Progress.DONE);
        handheld.begin(first);
        assertThat(progress(first)).as("what is done stays done").isEqualTo(Progress.DONE);
        handheld.skip(second, "stood still");
        assertThat(progress(second)).isEqualTo(Progress.SKIPPED);
        assertThat(progress(first)).isEqualTo(Progress.DONE);
    }

    @Test
    void walkingItAllLeavesWhatWasSkippedAndWhatWasDone() throws Exception {
        handheld.load(route("Walk"));
        handheld.measure(first);
        handheld.note(first, "rattles");
        handheld.walkAll();
        handheld.walkAll();
        ReadingsPackage results = results("RESULTS/W0001.zip");
        assertThat(results.readings()).hasSize(2);
        assertThat(results.readings().get(0).reading().note()).isEqualTo("rattles");
        assertThat(results.readings())
                .extracting(r -> r.reading().id().replaceFirst("^[0-9a-f]{8}-", ""))
                .containsExactly("000001", "000002");
    }

    @Test
    void anotherRouteClosesTheWalkAndKeepsItsResults() throws Exception {
        handheld.load(route("First walk"));
        handheld.measure(first);
        byte[] before = handheld.file("RESULTS/W0001.zip").orElseThrow();
        handheld.load(route("Second walk"));
        assertThat(handheld.files()).containsKeys("RESULTS/W0001.zip", "ROUTES/ROUTE.zip");
        assertThat(handheld.file("RESULTS/W0001.zip").orElseThrow())
                .as("not one byte differs")
                .isEqualTo(before);
        assertThat(progress(first)).isEqualTo(Progress.TO_DO);
        handheld.measure(first);
        assertThat(results("RESULTS/W0002.zip").readings().get(0).reading().id())
                .as("ids are never given twice")
                .endsWith("-000002");
    }

    @Test
    void clearingBeginsTheWalkAnewAndGivesTheRoomBack() {
        handheld.load(route("Walk"));
        long free = handheld.freeBytes();
        handheld.walkAll();
        assertThat(handheld.freeBytes()).isLessThan(free);
        assertThat(handheld.delete("RESULTS/W0001.zip")).isTrue();
        assertThat(handheld.delete("RESULTS/W0001.zip")).isFalse();
        assertThat(handheld.freeBytes()).isCloseTo(free, org.assertj.core.data.Offset.offset(1000L));
        assertThat(progress(first)).isEqualTo(Progress.TO_DO);
        assertThat(handheld.delete("ROUTES/ROUTE.zip"))
                .as("a route is replaced, not removed")
                .isFalse();
    }

    @Test
    void aFullMemoryRefusesTheNextReadingAndKeepsAllBefore() throws Exception {
        handheld.load(route("Walk"));
        handheld.measure(first);
        faults.setMemoryFull(true);
        assertThatThrownBy(() -> handheld.measure(second))
                .hasMessageContaining("Memory full: read back and free memory");
        assertThat(progress(second)).isEqualTo(Progress.TO_DO);
        assertThat(results("RESULTS/W0001.zip").readings()).hasSize(1);
    }

    @Test
    void withoutARouteThereAreOnlyLooseReadings() throws Exception {
        assertThatThrownBy(handheld::walkAll).hasMessage("No route is loaded.");
        assertThatThrownBy(() -> handheld.load("no package".getBytes()))
                .isInstanceOf(HandheldException.class)
                .hasMessageContaining("packet.foreign");
        handheld.measureLoose("vibration", new SimulatedPlant.Place("P-9", "Coupling"), "P-9 Coupling", Map.of());
        ReadingsPackage loose = results(LooseMemory.HEAP);
        assertThat(loose.walk()).isEmpty();
        assertThat(loose.readings().get(0).reading().label()).isEqualTo("P-9 Coupling");
        assertThat(loose.readings().get(0).reading().stop()).isEmpty();
    }

    @Test
    void aPowerCutInTheMiddleOfWritingLeavesNoHalfFile() throws IOException {
        handheld.load(route("Walk"));
        handheld.measure(first);
        Files.write(folder.resolve("measured/000002.zip.part"), new byte[100]);
        Files.write(folder.resolve("state/walk.json.part"), "{".getBytes());
        switchOn();
        assertThat(progress(first)).isEqualTo(Progress.DONE);
        handheld.measure(second);
        assertThat(progress(second)).isEqualTo(Progress.DONE);
    }

    @Test
    void evenAWipedMemoryGivesNoIdTwice() throws Exception {
        handheld.measureLoose("vibration", new SimulatedPlant.Place("P-9", "Coupling"), "", Map.of());
        String before = results(LooseMemory.HEAP).readings().get(0).reading().id();
        folder = Files.createTempDirectory(folder, "wiped");
        switchOn();
        handheld.measureLoose("vibration", new SimulatedPlant.Place("P-9", "Coupling"), "", Map.of());
        assertThat(results(LooseMemory.HEAP).readings().get(0).reading().id()).isNotEqualTo(before);
    }

    @Test
    void readingsCarryTheInstrumentsOwnTimeHoweverWrong() throws Exception {
        handheld.load(route("Walk"));
        handheld.clock().setError(Duration.ofMinutes(-7));
        handheld.measure(first);
        assertThat(results("RESULTS/W0001.zip").readings().get(0).reading().takenAt())
                .isEqualTo(NOW.minusSeconds(420));
        handheld.clock().setInstrumentTime(NOW);
        handheld.measure(second);
        assertThat(results("RESULTS/W0001.zip").readings().get(1).reading().takenAt())
                .isEqualTo(NOW);
    }

    @Test
    void namesThatPointOutsideTheMemoryLeadNowhere() {
        HandheldMemory memory = new HandheldMemory(folder, 1000);
        assertThatThrownBy(() -> memory.read("../../etc/passwd")).hasMessageContaining("outside the memory");
        assertThat(handheld.file("../state/walk.json")).isEmpty();
        assertThat(handheld.file("state/walk.json"))
                .as("its inner state is nobody's business")
                .isEmpty();
    }
}
