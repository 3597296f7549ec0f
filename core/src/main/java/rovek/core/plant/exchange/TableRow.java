package rovek.core.plant.exchange;

import java.util.Map;

/**
 * One row of a plant written as a table.
 *
 * @param number as people count it in the file or in what they pasted, from 1
 * @param indent how deep it is indented; 0 where the table has a path or parents instead
 * @param cells column to text, stripped; what is blank may be left out
 */
public record TableRow(int number, int indent, Map<String, String> cells) {

    public TableRow {
        cells = Map.copyOf(cells);
    }

    String cell(String column) {
        return cells.getOrDefault(column, "");
    }
}
