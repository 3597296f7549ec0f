package rovek.core.plant.exchange;

import java.util.List;
import java.util.Optional;
import rovek.core.plant.Level;
import rovek.core.wording.Sentence;

/**
 * What an import would make of one row.
 *
 * @param number of the row
 * @param depth below the outermost row of the import
 * @param label tag and name
 * @param level what it is; empty only where that could not be told
 * @param notes what is wrong with it, or what would change
 * @param rows how many rows of the plant come of it; more than one where it is stamped or names its checks
 */
public record PlannedRow(
        int number, int depth, String label, Optional<Level> level, State state, List<Sentence> notes, int rows) {

    /** How a row compares with the plant. */
    public enum State {
        NEW,
        CHANGED,
        SAME,
        WRONG
    }

    public PlannedRow {
        notes = List.copyOf(notes);
    }
}
