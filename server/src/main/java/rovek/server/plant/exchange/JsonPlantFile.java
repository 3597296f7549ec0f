package rovek.server.plant.exchange;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import rovek.core.plant.Facet;
import rovek.core.plant.exchange.Column;
import rovek.core.plant.exchange.PlantTable;
import rovek.core.plant.exchange.TableRow;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Our own form, for other programs: see docs/plant-file. */
final class JsonPlantFile implements PlantFile {

    private static final String FORMAT = "rovek-plant";
    private static final int VERSION = 1;
    private static final Map<String, String> NESTED = Map.of("settings", Facet.SETTING, "limits", Facet.LIMIT);

    private final JsonMapper json;

    JsonPlantFile(JsonMapper json) {
        this.json = json;
    }

    @Override
    public String ending() {
        return "json";
    }

    @Override
    public String mediaType() {
        return "application/json";
    }

    @Override
    public void write(PlantTable table, OutputStream out) throws IOException {
        List<Map<String, Object>> nodes =
                table.rows().stream().map(JsonPlantFile::node).toList();
        Map<String, Object> file = new LinkedHashMap<>();
        file.put("format", FORMAT);
        file.put("version", VERSION);
        file.put("nodes", nodes);
        json.writeValue(out, file);
    }

    private static Map<String, Object> node(TableRow row) {
        Map<String, Object> node = new LinkedHashMap<>();
        new TreeMap<>(row.cells()).forEach((column, value) -> {
            if (column.startsWith(Facet.NAMEPLATE)) {
                inner(node, "nameplate").put(column.substring(Facet.NAMEPLATE.length()), value);
            } else if (column.startsWith(Facet.SETTING)) {
                putNested(node, "settings", column.substring(Facet.SETTING.length()), value);
            } else if (column.startsWith(Facet.LIMIT)) {
                putNested(node, "limits", column.substring(Facet.LIMIT.length()), value);
            } else if (!column.equals(Column.PATH)) {
                node.put(column, value);
            }
        });
        return node;
    }

    private static void putNested(Map<String, Object> node, String kind, String key, String value) {
        int dot = key.indexOf('.');
        inner(inner(node, kind), key.substring(0, dot)).put(key.substring(dot + 1), value);
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> inner(Map<String, Object> outer, String key) {
        return (Map<String, Object>) outer.computeIfAbsent(key, none -> new LinkedHashMap<String, Object>());
    }

    @Override
    public PlantTable read(InputStream in) throws IOException {
        JsonNode file;
        try {
            file = json.readTree(in);
        } catch (JacksonException broken) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.notJson"));
        }
        if (!file.path("format").asString("").equals(FORMAT)) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.otherFormat", "format", FORMAT));
        }
        if (file.path("version").asInt(0) != VERSION) {
            throw new DomainProblem.Invalid(
                    "file",
                    Sentence.of(
                            "plant.otherVersion",
                            "version",
                            file.path("version").asString("?"),
                            "known",
                            VERSION));
        }
        List<TableRow> rows = new ArrayList<>();
        Set<String> columns = new LinkedHashSet<>(
                List.of(Column.LEVEL, Column.TAG, Column.NAME, Column.TECHNIQUE, Column.CLASS, Column.STAMP));
        file.path("nodes").forEach(node -> {
            TableRow row = new TableRow(rows.size() + 1, 0, cells(node));
            columns.addAll(row.cells().keySet());
            rows.add(row);
        });
        return new PlantTable(List.copyOf(columns), rows);
    }

    private static Map<String, String> cells(JsonNode node) {
        Map<String, String> cells = new HashMap<>();
        node.properties().forEach(field -> {
            String kind = NESTED.get(field.getKey());
            if (kind != null) {
                field.getValue()
                        .properties()
                        .forEach(technique -> technique
                                .getValue()
                                .properties()
                                .forEach(one -> cells.put(
                                        kind + technique.getKey() + "." + one.getKey(),
                                        one.getValue().asString(""))));
            } else if (field.getKey().equals("nameplate")) {
                field.getValue()
                        .properties()
                        .forEach(one -> cells.put(
                                Facet.nameplate(one.getKey()), one.getValue().asString("")));
            } else {
                Column.of(field.getKey())
                        .ifPresent(column -> cells.put(column, field.getValue().asString("")));
            }
        });
        return cells;
    }
}
