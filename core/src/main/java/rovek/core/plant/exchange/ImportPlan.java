package rovek.core.plant.exchange;

import java.util.List;
import rovek.core.plant.PlantChange;
import rovek.core.plant.exchange.PlannedRow.State;

/**
 * What an import would do: shown first, then done whole or not at all.
 *
 * @param change empty where any row is wrong
 */
public record ImportPlan(List<PlannedRow> rows, PlantChange change) {

    public ImportPlan {
        rows = List.copyOf(rows);
    }

    public int count(State state) {
        return (int) rows.stream().filter(row -> row.state() == state).count();
    }

    public boolean isSound() {
        return count(State.WRONG) == 0;
    }
}
