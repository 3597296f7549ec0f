package rovek.fieldsim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TableCapture.Numbers;
import rovek.core.setup.SetupContent;
import rovek.core.technique.Analysis;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.SetupPackage;

/** The stand-ins that are no vibration handheld. */
class EveryKindTest {

    private static final Instant NOW = Instant.parse("2026-11-23T09:00:00Z");
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

    @TempDir
    Path folder;

    private Handheld handheld(HandheldModel model) {
        SimulatedPlant plant = new SimulatedPlant(NOW.minus(Duration.ofDays(365)), 1);
        return new Handheld(
                model,
                new HandheldMemory(folder.resolve(model.serial()), model.memoryBytes()),
                new SimulatedClock(Clock.fixed(NOW, ZoneOffset.UTC)),
                new PlantSensing(plant),
                new Faults());
    }

    private static List<HandheldModel> models() {
        return List.of(
                HandheldModel.vibration(TODAY),
                HandheldModel.logger(TODAY),
                HandheldModel.loop(TODAY),
                HandheldModel.cells(TODAY),
                HandheldModel.leak(TODAY));
    }

    private static PackedReading only(Handheld handheld, String file) throws Exception {
        List<ReadingsPackage.DigestedReading> readings =
                ReadingsPackage.unpack(handheld.file(file).orElseThrow()).readings();
        assertThat(readings).hasSize(1);
        return readings.get(0).reading();
    }

    @Test
    void everyTechniqueOfEveryKindGivesACaptureThatItsTechniqueTakes() throws Exception {
        for (HandheldModel model : models()) {
            Handheld handheld = handheld(model);
            for (String id : model.techniques()) {
                Technique technique = Techniques.all().get(id);
                handheld.measureLoose(id, new SimulatedPlant.Place("X-1", "somewhere"), "", Map.of());
                PackedReading reading = handheld.looseReadings().stream()
                        .filter(one -> one.technique().equals(id))
                        .findFirst()
                        .orElseThrow();
                Analysis analysis = technique.analyse(reading.capture().toCapture(), technique.settingsOf(Map.of()));
                assertThat(analysis.results().isEmpty())
                        .isEqualTo(technique
                                .results(technique.settingsOf(Map.of()))
                                .isEmpty());
            }
        }
    }

    @Test
    void looseReadingsLieInNumberedPlacesOfTheirKindAndAFreedNumberIsUsedAgain() throws Exception {
        Handheld loop = handheld(HandheldModel.loop(TODAY));
        SimulatedPlant.Place place = new SimulatedPlant.Place("LT-301", "");
        loop.measureLoose("loop", place, "", Map.of());
        loop.measureLoose("loop", place, "", Map.of());
        loop.measureLoose("sheet", place, "", Map.of());
        assertThat(loop.files())
                .containsEntry("MEMORY/M001.zip", "MEMORY")
                .containsEntry("MEMORY/M002.zip", "MEMORY")
                .containsEntry("SHEETS/P001.zip", "SHEET");
        PackedReading first = only(loop, "MEMORY/M001.zip");
        assertThat(first.label())
                .as("the number is all that the instrument writes on it")
                .isEqualTo("M001");
        assertThat(loop.delete("MEMORY/M001.zip")).isTrue();
        loop.measureLoose("loop", place, "", Map.of());
        assertThat(only(loop, "MEMORY/M001.zip").id())
                .as("the number again, the id never")
                .isNotEqualTo(first.id());
    }

    @Test
    void aRunIsRecordedAsItsSetupSays() throws Exception {
        Handheld logger = handheld(HandheldModel.logger(TODAY));
        SetupContent content = new SetupContent(
                Map.of("intervalSeconds", "30", "stop", "after a time", "stopAfterMinutes", "10", "start", "at once"),
                List.of(
                        Map.of("name", "Level", "input", "4-20 mA", "unit", "m", "low", "0", "high", "6"),
                        Map.of("name", "Water", "input", "Pt100")));
        logger.loadSetup(new SetupPackage(UUID.randomUUID(), 3, "Reservoir", "logger", NOW, content).pack());
        logger.measureLoose("run", new SimulatedPlant.Place("reservoir", ""), "", Map.of());
        TableCapture run =
                (TableCapture) only(logger, "RUNS/R001.zip").capture().toCapture();
        assertThat(run.columns()).extracting(TableCapture.Column::name).containsExactly("time", "Level", "Water");
        assertThat(run.time().orElseThrow().values())
                .hasSize(21)
                .startsWith(0, 30)
                .endsWith(600);
        assertThat(((Numbers) run.columns().get(1)).unit()).isEqualTo("m");
        assertThat(run.markers()).hasSize(1);
    }

    @Test
    void cellsThatFailGetWorseAndTheOthersDoNot() {
        Handheld cells = handheld(HandheldModel.cells(TODAY));
        cells.measureLoose("battery", new SimulatedPlant.Place("BAT-1", ""), "", Map.of());
        double[] now = ((Numbers)
                        ((TableCapture) cells.looseReadings().get(0).capture().toCapture())
                                .columns()
                                .get(1))
                .values();
        cells.clock().movePlantTo(NOW.minus(Duration.ofDays(360)));
        cells.measureLoose("battery", new SimulatedPlant.Place("BAT-1", ""), "", Map.of());
        double[] aYearAgo = ((Numbers)
                        ((TableCapture) cells.looseReadings().get(1).capture().toCapture())
                                .columns()
                                .get(1))
                .values();
        assertThat(now[16] / aYearAgo[16]).isGreaterThan(1.3);
        assertThat(now[0] / aYearAgo[0]).isBetween(0.95, 1.1);
    }

    @Test
    void whatItCannotMeasureItSays() {
        assertThatThrownBy(() -> handheld(HandheldModel.loop(TODAY))
                        .measureLoose("vibration", new SimulatedPlant.Place("P-1", ""), "", Map.of()))
                .hasMessage("This instrument does not measure vibration.");
    }
}
