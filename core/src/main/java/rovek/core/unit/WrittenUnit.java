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
            Map.entry("deg f", UnitCatalogue.DEGREE_FAHRENHEIT),
            Map.entry("fahrenheit", UnitCatalogue.DEGREE_FAHRENHEIT),
            Map.entry("delta degf", UnitCatalogue.FAHRENHEIT_DIFFERENCE),
            Map.entry("mm hg", UnitCatalogue.MILLIMETRE_OF_MERCURY),
            Map.entry("inh2o@4c", UnitCatalogue.INCH_OF_WATER_AT_4_DEGREES),
            Map.entry("inh2o@60f", UnitCatalogue.INCH_OF_WATER_AT_60_FAHRENHEIT),
            Map.entry("inh2o@20c", UnitCatalogue.INCH_OF_WATER_AT_20_DEGREES),
            Map.entry("inh2o@68f", UnitCatalogue.INCH_OF_WATER_AT_20_DEGREES),
            Map.entry("uv", UnitCatalogue.MICROVOLT),
            Map.entry("ohm m", UnitCatalogue.OHM_METRE),
            Map.entry("ohm*m", UnitCatalogue.OHM_METRE),
            Map.entry("kohm cm", UnitCatalogue.KILOOHM_CENTIMETRE),
            Map.entry("kohm*cm", UnitCatalogue.KILOOHM_CENTIMETRE),
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
            Map.entry("percent", UnitCatalogue.PERCENT),
            Map.entry("g", UnitCatalogue.STANDARD_GRAVITY),
            Map.entry("gn", UnitCatalogue.STANDARD_GRAVITY),
            Map.entry("ips", UnitCatalogue.INCH_PER_SECOND),
            Map.entry("inch/s", UnitCatalogue.INCH_PER_SECOND),
            Map.entry("in/sec", UnitCatalogue.INCH_PER_SECOND),
            Map.entry("mm/sec", UnitCatalogue.MILLIMETRE_PER_SECOND),
            Map.entry("mils", UnitCatalogue.MIL),
            Map.entry("thou", UnitCatalogue.MIL),
            Map.entry("inch", UnitCatalogue.INCH),
            Map.entry("micron", UnitCatalogue.MICROMETRE),
            Map.entry("sec", UnitCatalogue.SECOND),
            Map.entry("msec", UnitCatalogue.MILLISECOND),
            Map.entry("hr", UnitCatalogue.HOUR),
            Map.entry("1/s", UnitCatalogue.HERTZ),
            Map.entry("rev/min", UnitCatalogue.REVOLUTIONS_PER_MINUTE),
            Map.entry("cpm", UnitCatalogue.REVOLUTIONS_PER_MINUTE),
            Map.entry("m\u00B3/hr", UnitCatalogue.CUBIC_METRE_PER_HOUR),
            Map.entry("l/m", UnitCatalogue.LITRE_PER_MINUTE),
            Map.entry("volts", UnitCatalogue.VOLT),
            Map.entry("amps", UnitCatalogue.AMPERE),
            Map.entry("ua", UnitCatalogue.MICROAMPERE),
            Map.entry("\u03BCa", UnitCatalogue.MICROAMPERE),
            Map.entry("ohms", UnitCatalogue.OHM),
            Map.entry("kohm", UnitCatalogue.KILOOHM),
            Map.entry("nm", UnitCatalogue.NEWTON_METRE),
            Map.entry("n m", UnitCatalogue.NEWTON_METRE),
            Map.entry("n*m", UnitCatalogue.NEWTON_METRE),
            Map.entry("db", UnitCatalogue.DECIBEL));

    /** Where large and small letters make another unit of it: milli and mega, newton metre and nanometre. */
    private static final Map<String, UnitOfMeasure> AS_WRITTEN = Map.ofEntries(
            Map.entry("mOhm", UnitCatalogue.MILLIOHM),
            Map.entry("mohm", UnitCatalogue.MILLIOHM),
            Map.entry("m\u2126", UnitCatalogue.MILLIOHM),
            Map.entry("MOhm", UnitCatalogue.MEGAOHM),
            Map.entry("Mohm", UnitCatalogue.MEGAOHM),
            Map.entry("M\u2126", UnitCatalogue.MEGAOHM),
            Map.entry("GOhm", UnitCatalogue.GIGAOHM),
            Map.entry("G\u2126", UnitCatalogue.GIGAOHM),
            Map.entry("uOhm", UnitCatalogue.MICROOHM),
            Map.entry("\u00B5Ohm", UnitCatalogue.MICROOHM),
            Map.entry("k\u2126", UnitCatalogue.KILOOHM));

    private WrittenUnit() {}

    /** How each unit is often written besides by its symbol, for the page that lists them. */
    public static Map<String, UnitOfMeasure> spellings() {
        Map<String, UnitOfMeasure> all = new java.util.TreeMap<>(OTHERWISE);
        all.putAll(AS_WRITTEN);
        return all;
    }

    /**
     * The unit a text names: by its symbol exactly, else as it is often written; empty where it is none Rovek knows.
     */
    public static Optional<UnitOfMeasure> find(String text) {
        String written = text.strip();
        Optional<UnitOfMeasure> exact = UnitCatalogue.find(written);
        if (exact.isPresent()) {
            return exact;
        }
        if (AS_WRITTEN.containsKey(written)) {
            return Optional.of(AS_WRITTEN.get(written));
        }
        boolean isNanometre = written.equals("nm");
        Optional<UnitOfMeasure> otherwise =
                isNanometre ? Optional.empty() : Optional.ofNullable(OTHERWISE.get(written.toLowerCase(Locale.ROOT)));
        return otherwise.isPresent() ? otherwise : withoutRegardToCase(written);
    }

    /** Where just one symbol differs by nothing but large and small letters: mV and MV would be two. */
    private static Optional<UnitOfMeasure> withoutRegardToCase(String written) {
        var alike = UnitCatalogue.symbols().stream()
                .filter(symbol -> symbol.length() > 1 && symbol.equalsIgnoreCase(written))
                .toList();
        return alike.size() == 1 ? UnitCatalogue.find(alike.get(0)) : Optional.empty();
    }
}
