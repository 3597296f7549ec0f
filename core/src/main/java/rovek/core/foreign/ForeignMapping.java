package rovek.core.foreign;

import java.time.ZoneId;
import java.util.List;
import rovek.core.unit.DecimalMark;

/**
 * How a foreign table is understood.
 *
 * @param zone of times that name none
 */
public record ForeignMapping(DecimalMark mark, DateOrder order, ZoneId zone, List<ForeignColumn> columns) {

    public ForeignMapping {
        columns = List.copyOf(columns);
    }
}
