package rovek.core.technique.byhand;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import rovek.core.entry.Entry;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** What a gauge shows, each in the unit it is written down in. */
public enum Quantity {
    PRESSURE(UnitCatalogue.BAR),
    TEMPERATURE(UnitCatalogue.DEGREE_CELSIUS),
    LEVEL(UnitCatalogue.MILLIMETRE),
    FLOW(UnitCatalogue.CUBIC_METRE_PER_HOUR),
    CURRENT(UnitCatalogue.AMPERE),
    VOLTAGE(UnitCatalogue.VOLT),
    SPEED(UnitCatalogue.REVOLUTIONS_PER_MINUTE),
    DISTANCE(UnitCatalogue.MILLIMETRE),
    VIBRATION(UnitCatalogue.MILLIMETRE_PER_SECOND),
    RESISTANCE(UnitCatalogue.OHM),
    SHARE(UnitCatalogue.PERCENT),
    HOURS(UnitCatalogue.HOUR),
    NUMBER(UnitCatalogue.ONE);

    private final UnitOfMeasure unit;

    Quantity(UnitOfMeasure unit) {
        this.unit = unit;
    }

    public UnitOfMeasure unit() {
        return unit;
    }

    public Sentence called() {
        return Entry.option(word());
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** @throws Refused for a word that is none */
    public static Quantity of(String word) {
        return Arrays.stream(values())
                .filter(quantity -> quantity.word().equals(word.toLowerCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> new Refused(Sentence.of("byhand.noQuantity", "quantity", word)));
    }

    /** The first that is written in units of this kind; empty where none is. */
    public static Optional<Quantity> measuredIn(UnitOfMeasure unit) {
        return Arrays.stream(values())
                .filter(quantity -> quantity.unit.isComparableTo(unit))
                .findFirst();
    }

    public static List<String> words() {
        return Arrays.stream(values()).map(Quantity::word).toList();
    }
}
