package rovek.server.plant.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import rovek.core.plant.exchange.PlantTable;
import rovek.core.plant.exchange.TableRow;
import rovek.server.base.problem.DomainProblem;
import tools.jackson.databind.json.JsonMapper;

/** What is written into a file and read again is the same, whatever people call their machines. */
class PlantFileTest {

    private static final int TABLES = 40;
    private static final List<String> NAMES = List.of(
            "Well pump 1",
            "Pumpe \"Süd\"",
            "a,b;c\td",
            "line\nbreak",
            "=1+1",
            "0012",
            "1.50",
            "ß Ω µ 水",
            "'",
            "TRUE",
            "12/11/2026",
            "{}",
            "a / b");

    static List<PlantFile> ways() {
        return List.of(
                new CsvPlantFile(),
                new XlsxPlantFile(),
                new JsonPlantFile(JsonMapper.builder().build()));
    }

    private static PlantTable any(Random choice) {
        List<String> columns = List.of(
                "level",
                "tag",
                "name",
                "technique",
                "class",
                "limit.vibration.velocity.rms",
                "nameplate.note",
                "setting.vibration.lines",
                "stamp",
                "id",
                "parent");
        List<TableRow> rows = new ArrayList<>();
        int count = 1 + choice.nextInt(30);
        for (int i = 0; i < count; i++) {
            Map<String, String> cells = new HashMap<>();
            cells.put("level", "asset");
            cells.put("id", new UUID(choice.nextLong(), choice.nextLong()).toString());
            for (String column : columns.subList(1, 8)) {
                if (choice.nextBoolean()) {
                    cells.put(column, NAMES.get(choice.nextInt(NAMES.size())));
                }
            }
            rows.add(new TableRow(i + 1, 0, cells));
        }
        return new PlantTable(columns, rows);
    }

    private static byte[] written(PlantFile way, PlantTable table) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        way.write(table, out);
        return out.toByteArray();
    }

    private static List<Map<String, String>> cells(PlantTable table) {
        return table.rows().stream().map(TableRow::cells).toList();
    }

    @ParameterizedTest
    @MethodSource("ways")
    void readAgainItIsTheSame(PlantFile way) throws IOException {
        for (int seed = 0; seed < TABLES; seed++) {
            PlantTable table = any(new Random(seed));
            assertThat(cells(way.read(new ByteArrayInputStream(written(way, table)))))
                    .as("seed %d", seed)
                    .isEqualTo(cells(table));
        }
    }

    @ParameterizedTest
    @MethodSource("ways")
    void brokenOffOrAnythingElseItIsRefusedWithASentence(PlantFile way) throws IOException {
        byte[] whole = written(way, any(new Random(7)));
        Random choice = new Random(11);
        for (int i = 0; i < 200; i++) {
            byte[] mangled = whole.clone();
            for (int j = 0; j < 4; j++) {
                mangled[choice.nextInt(mangled.length)] = (byte) choice.nextInt(256);
            }
            byte[] some =
                    java.util.Arrays.copyOf(mangled, i % 2 == 0 ? mangled.length : choice.nextInt(mangled.length));
            try {
                way.read(new ByteArrayInputStream(some));
            } catch (DomainProblem.Invalid refused) {
                assertThat(refused.getMessage()).endsWith(".");
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"tag;name\nP-1;Pump", "tag\tname\nP-1\tPump", "\uFEFFTag,NAME\r\nP-1,Pump\r\n\r\n"})
    void aTableIsReadAsSpreadsheetsOfManyCountriesWriteIt(String text) throws IOException {
        PlantTable table = new CsvPlantFile().read(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
        assertThat(cells(table)).containsExactly(Map.of("tag", "P-1", "name", "Pump"));
    }

    @Test
    void headingsThatNameNoColumnAreTold() throws IOException {
        PlantTable table = new CsvPlantFile()
                .read(new ByteArrayInputStream("tag,colour,name\nP-1,red,Pump".getBytes(StandardCharsets.UTF_8)));
        assertThat(table.ignored()).containsExactly("colour");
        assertThat(cells(table)).containsExactly(Map.of("tag", "P-1", "name", "Pump"));
    }

    @Test
    void aLaterVersionIsRefusedByName() {
        byte[] later = "{\"format\":\"rovek-plant\",\"version\":2,\"nodes\":[]}".getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> new JsonPlantFile(JsonMapper.builder().build()).read(new ByteArrayInputStream(later)))
                .hasMessageContaining("version 2, and this Rovek reads version 1");
    }

    @Test
    void itIsWrittenAsPublished() throws IOException {
        var schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(Path.of("../docs/plant-file/plant.schema.json")));
        for (int seed = 0; seed < 10; seed++) {
            String text = new String(
                    written(new JsonPlantFile(JsonMapper.builder().build()), any(new Random(seed))),
                    StandardCharsets.UTF_8);
            assertThat(schema.validate(text, InputFormat.JSON)).isEmpty();
        }
    }
}
