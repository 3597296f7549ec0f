package rovek.server.plant.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rovek.core.plant.exchange.Column;
import rovek.core.plant.exchange.PlantTable;
import rovek.core.plant.exchange.TableRow;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

/** Takes the lines of a table as they are read: the first one with anything in it is the heading. */
final class HeadedTable {

    private static final int MOST_COLUMNS = 1_000;

    private final List<TableRow> rows = new ArrayList<>();
    private final List<String> unknown = new ArrayList<>();
    private List<String> columns;

    /** @param number of the line in the file, from 1 */
    void take(int number, List<String> cells) {
        if (cells.stream().allMatch(String::isBlank)) {
            return;
        }
        if (columns == null) {
            columns = heading(cells);
            return;
        }
        if (rows.size() >= TableBounds.MOST_LINES) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.tooManyRows", "most", TableBounds.MOST_LINES));
        }
        Map<String, String> row = new HashMap<>();
        for (int i = 0; i < Math.min(cells.size(), columns.size()); i++) {
            String text = cells.get(i) == null ? "" : cells.get(i).strip();
            if (!text.isEmpty() && !columns.get(i).isEmpty()) {
                row.put(columns.get(i), text);
            }
        }
        rows.add(new TableRow(number, 0, row));
    }

    private List<String> heading(List<String> cells) {
        if (cells.size() > MOST_COLUMNS) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.tooManyColumns", "most", MOST_COLUMNS));
        }
        List<String> found = new ArrayList<>();
        for (String cell : cells) {
            Optional<String> column = Column.of(cell);
            column.ifPresentOrElse(found::add, () -> {
                found.add("");
                if (!cell.isBlank()) {
                    unknown.add(cell.strip());
                }
            });
        }
        if (!found.contains(Column.TAG) && !found.contains(Column.NAME)) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.noHeading"));
        }
        return found;
    }

    PlantTable table() {
        if (columns == null) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.emptyFile"));
        }
        return new PlantTable(
                columns.stream().filter(column -> !column.isEmpty()).toList(), rows, unknown);
    }
}
