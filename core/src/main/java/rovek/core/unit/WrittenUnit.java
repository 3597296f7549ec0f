package rovek.core.unit;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Units as people and instruments write them, who do not all have every sign on their keys. */
public final class WrittenUnit {

    private static final Map<String, UnitOfMeasure> OTHERWISE = Map.ofEntries(
            Map.entry("c", UnitCatalogue.DEGREE_CELSIUS),
            Map.entry("degc", UnitCatalogue.DEGREE_CELSIUS),
            Map.entry("deg c", UnitCatalogue.DEGREE_CELSIUS),
            Map.entry("celsius", UnitCatalogue.DEGREE_CELSIUS),
            Map.entry("\u2103", UnitCatalogue.DEGREE_CELSIUS),
            Map.entry("f", UnitCatalogue.DEGREE_FAHRENHEIT),
            Map.entry("degf", UnitCatalogue.DEGREE_FAHRENHEIT),
            Map.entry("\u2109", UnitCatalogue.DEGREE_FAHRENHEIT),
            Map.entry("m3/h", UnitCatalogue.CUBIC_METRE_PER_HOUR),
            Map.entry("m^3/h", UnitCatalogue.CUBIC_METRE_PER_HOUR),
            Map.entry("lpm", UnitCatalogue.LITRE_PER_MINUTE),
            Map.entry("rpm", UnitCatalogue.REVOLUTIONS_PER_MINUTE),
            Map.entry("r/min", UnitCatalogue.REVOLUTIONS_PER_MINUTE),
            Map.entry("min-1", UnitCatalogue.REVOLUTIONS_PER_MINUTE),
            Map.entry("um", UnitCatalogue.MICROMETRE),
            Map.entry("\u03BCm", UnitCatalogue.MICROMETRE),
            Map.entry("m/s2", UnitCatalogue.METRE_PER_SQUARE_SECOND),
            Map.entry("m/s^2", UnitCatalogue.METRE_PER_SQUARE_SECOND),
            Map.entry("ohm", UnitCatalogue.OHM),
            Map.entry("\u2126", UnitCatalogue.OHM),
            Map.entry("volt", UnitCatalogue.VOLT),
            Map.entry("amp", UnitCatalogue.AMPERE),
            Map.entry("hrs", UnitCatalogue.HOUR),
            Map.entry("hours", UnitCatalogue.HOUR),
            Map.entry("percent", UnitCatalogue.PERCENT));

    private WrittenUnit() {}

    /** The unit a text names: by its symbol exactly, else as it is often written; empty where it is none Rovek knows. */
    public static Optional<UnitOfMeasure> find(String text) {
        String written = text.strip();
        Optional<UnitOfMeasure> exact = UnitCatalogue.find(written);
        if (exact.isPresent()) {
            return exact;
        }
        Optional<UnitOfMeasure> otherwise = Optional.ofNullable(OTHERWISE.get(written.toLowerCase(Locale.ROOT)));
        return otherwise.isPresent() ? otherwise : withoutRegardToCase(written);
    }

    /** Where just one symbol differs by nothing but large and small letters: mV and MV would be two. */
    private static Optional<UnitOfMeasure> withoutRegardToCase(String written) {
        var alike = UnitCatalogue.symbols().stream().filter(symbol -> symbol.length() > 1 && symbol.equalsIgnoreCase(written)).toList();
        return alike.size() == 1 ? UnitCatalogue.find(alike.get(0)) : Optional.empty();
    }
}
