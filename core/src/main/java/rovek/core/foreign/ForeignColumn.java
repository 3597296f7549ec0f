package rovek.core.foreign;

import java.util.Optional;
import java.util.UUID;

/**
 * What a column of a foreign table is taken for.
 *
 * @param unit symbol of a value's unit; blank where each row names its own
 * @param quantity of a value, as a gauge check has it; blank where the unit says it
 * @param check all values of the column are of; empty where each row names its asset
 */
public record ForeignColumn(Use use, String unit, String quantity, Optional<UUID> check) {

    /** What a cell of the column says. */
    public enum Use {
        IGNORED,
        DATE_AND_TIME,
        DATE,
        TIME_OF_DAY,
        TAG,
        POINT,
        UNIT,
        NOTE,
        VALUE
    }

    public static ForeignColumn of(Use use) {
        return new ForeignColumn(use, "", "", Optional.empty());
    }

    public static ForeignColumn value(String unit) {
        return new ForeignColumn(Use.VALUE, unit, "", Optional.empty());
    }
}
