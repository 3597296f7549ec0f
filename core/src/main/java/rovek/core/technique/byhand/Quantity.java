package rovek.core.technique.byhand;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;

/** What a gauge shows, each in the unit it is written down in. */
enum Quantity {
    PRESSURE(UnitCatalogue.BAR),
    TEMPERATURE(UnitCatalogue.DEGREE_CELSIUS),
    LEVEL(UnitCatalogue.MILLIMETRE),
    FLOW(UnitCatalogue.CUBIC_METRE_PER_HOUR),
    CURRENT(UnitCatalogue.AMPERE),
    VOLTAGE(UnitCatalogue.VOLT),
    SPEED(UnitCatalogue.REVOLUTIONS_PER_MINUTE),
    DISTANCE(UnitCatalogue.MILLIMETRE),
    HOURS(UnitCatalogue.HOUR),
    NUMBER(UnitCatalogue.ONE);

    private final UnitOfMeasure unit;

    Quantity(UnitOfMeasure unit) {
        this.unit = unit;
    }

    UnitOfMeasure unit() {
        return unit;
    }

    String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    static Quantity of(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT));
    }

    static List<String> words() {
        return Arrays.stream(values()).map(Quantity::word).toList();
    }
}
