package rovek.core.plant.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import rovek.core.plant.TagAndName;

/**
 * Rows as they come out of a spreadsheet or a text: cells with tabs in between. With a heading, its words name the
 * columns, and spaces before the name say how deep a row stands. Without one, how far a row is indented says what it
 * stands in, then come a tag, a name and a template, as far as they are there.
 */
public final class TypedTable {

    private static final int SPACES_A_STEP = 2;
    /** Deeper than any plant: such a row is wrong in any case. */
    private static final int DEEPEST = 100;

    private TypedTable() {}

    /** @param isTemplate whether a word is the name of a template */
    public static PlantTable read(String text, Predicate<String> isTemplate) {
        List<String> lines = text.lines().toList();
        Optional<List<String>> heading =
                lines.stream().filter(line -> !line.isBlank()).findFirst().flatMap(TypedTable::heading);
        List<TableRow> rows = new ArrayList<>();
        boolean isHeading = heading.isPresent();
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i);
            if (line.isBlank()) {
                continue;
            }
            if (isHeading) {
                isHeading = false;
                continue;
            }
            rows.add(heading.isPresent() ? named(i + 1, line, heading.get()) : guessed(i + 1, line, isTemplate));
        }
        Set<String> columns = new LinkedHashSet<>(heading.orElse(List.of()));
        rows.forEach(row -> columns.addAll(row.cells().keySet()));
        columns.remove("");
        return new PlantTable(List.copyOf(columns), rows);
    }

    /** A heading names a column in every cell, and a tag or a name among them. */
    private static Optional<List<String>> heading(String line) {
        List<String> columns = new ArrayList<>();
        for (String cell : line.split("\t", -1)) {
            columns.add(cell.isBlank() ? "" : Column.of(cell).orElse("?"));
        }
        boolean isHeading = !columns.contains("?") && (columns.contains(Column.NAME) || columns.contains(Column.TAG));
        return isHeading ? Optional.of(columns) : Optional.empty();
    }

    private static TableRow named(int number, String line, List<String> columns) {
        Map<String, String> cells = new HashMap<>();
        String[] texts = line.split("\t", -1);
        for (int i = 0; i < Math.min(texts.length, columns.size()); i++) {
            if (!texts[i].isBlank() && !columns.get(i).isEmpty()) {
                cells.put(columns.get(i), texts[i].strip());
            }
        }
        int name = Math.max(columns.indexOf(Column.NAME), 0);
        return new TableRow(number, name < texts.length ? indent(texts[name]) : 0, cells);
    }

    private static int indent(String line) {
        int steps = 0;
        int spaces = 0;
        for (int i = 0; i < line.length(); i++) {
            if (line.charAt(i) == '\t') {
                steps++;
                spaces = 0;
            } else if (line.charAt(i) == ' ') {
                spaces++;
            } else {
                break;
            }
        }
        return Math.min(DEEPEST, steps + spaces / SPACES_A_STEP);
    }

    private static TableRow guessed(int number, String line, Predicate<String> isTemplate) {
        List<String> texts = new ArrayList<>();
        for (String cell : line.strip().split("\t")) {
            if (!cell.isBlank()) {
                texts.add(cell.strip());
            }
        }
        Map<String, String> cells = new HashMap<>();
        texts.stream().skip(1).filter(isTemplate).findFirst().ifPresent(template -> {
            cells.put(Column.TEMPLATE, template);
            texts.remove(template);
        });
        boolean hasTag = texts.size() > 1 && TagAndName.isTag(texts.get(0));
        if (hasTag) {
            cells.put(Column.TAG, texts.get(0));
            cells.put(Column.NAME, texts.get(1));
        } else {
            cells.put(Column.NAME, texts.get(0));
        }
        if (texts.size() > (hasTag ? 2 : 1)) {
            cells.put(Column.CHECKS, texts.get(hasTag ? 2 : 1));
        }
        return new TableRow(number, indent(line), cells);
    }
}
