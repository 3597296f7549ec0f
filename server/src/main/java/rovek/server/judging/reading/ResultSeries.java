package rovek.server.judging.reading;

import java.util.List;
import java.util.UUID;
import rovek.core.trend.TimedValue;
import rovek.core.unit.UnitOfMeasure;

/**
 * One result of a check over time, of the readings that count.
 *
 * @param readings in the order of {@code values}
 * @param values rising in time, in {@code unit}
 */
public record ResultSeries(List<UUID> readings, List<TimedValue> values, UnitOfMeasure unit) {}
