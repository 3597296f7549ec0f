package rovek.core.plant.exchange;

import java.util.HashMap;
import java.util.Map;
import rovek.core.entry.PlainText;

/**
 * One row of a plant written as a table.
 *
 * @param number as people count it in the file or in what they pasted, from 1
 * @param indent how deep it is indented; 0 where the table has a path or parents instead
 * @param cells column to text, stripped; what is blank may be left out. Held to what can be kept, whichever way the
 *     table came
 */
public record TableRow(int number, int indent, Map<String, String> cells) {

    private static final int LONGEST_CELL = 10_000;

    public TableRow {
        Map<String, String> kept = new HashMap<>(cells);
        kept.replaceAll((column, text) -> PlainText.kept(text, LONGEST_CELL));
        cells = Map.copyOf(kept);
    }

    String cell(String column) {
        return cells.getOrDefault(column, "");
    }
}
