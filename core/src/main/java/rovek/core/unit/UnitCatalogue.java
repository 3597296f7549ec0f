package rovek.core.unit;

import static javax.measure.MetricPrefix.CENTI;
import static javax.measure.MetricPrefix.GIGA;
import static javax.measure.MetricPrefix.KILO;
import static javax.measure.MetricPrefix.MEGA;
import static javax.measure.MetricPrefix.MICRO;
import static javax.measure.MetricPrefix.MILLI;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.measure.Unit;
import javax.measure.quantity.Pressure;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import tech.units.indriya.unit.BaseUnit;
import tech.units.indriya.unit.UnitDimension;
import tech.units.indriya.unit.Units;

/** The units results and settings are written in, by symbol. */
public final class UnitCatalogue {

    public static final UnitOfMeasure METRE_PER_SQUARE_SECOND =
            new UnitOfMeasure("m/s²", Units.METRE_PER_SQUARE_SECOND);
    /** Standard acceleration of free fall, 9.80665 m/s² exactly (ISO 80000-3). */
    public static final UnitOfMeasure STANDARD_GRAVITY =
            new UnitOfMeasure("g", Units.METRE_PER_SQUARE_SECOND.multiply(9.80665));

    public static final UnitOfMeasure MILLIMETRE_PER_SECOND =
            new UnitOfMeasure("mm/s", MILLI(Units.METRE).divide(Units.SECOND));
    public static final UnitOfMeasure METRE_PER_SECOND = new UnitOfMeasure("m/s", Units.METRE_PER_SECOND);
    public static final UnitOfMeasure MICROMETRE = new UnitOfMeasure("µm", MICRO(Units.METRE));
    public static final UnitOfMeasure HERTZ = new UnitOfMeasure("Hz", Units.HERTZ);
    public static final UnitOfMeasure SECOND = new UnitOfMeasure("s", Units.SECOND);
    public static final UnitOfMeasure VOLT = new UnitOfMeasure("V", Units.VOLT);
    public static final UnitOfMeasure MILLIVOLT = new UnitOfMeasure("mV", MILLI(Units.VOLT));
    public static final UnitOfMeasure MILLIVOLT_PER_G =
            new UnitOfMeasure("mV/g", MILLI(Units.VOLT).divide(Units.METRE_PER_SQUARE_SECOND.multiply(9.80665)));
    public static final UnitOfMeasure DEGREE_CELSIUS = new UnitOfMeasure("°C", Units.CELSIUS);
    public static final UnitOfMeasure KELVIN = new UnitOfMeasure("K", Units.KELVIN);
    /** Exactly 5/9 K, with its zero 459.67 steps above the absolute one. */
    public static final UnitOfMeasure DEGREE_FAHRENHEIT =
            new UnitOfMeasure("°F", Units.KELVIN.multiply(5).divide(9).shift(459.67));

    /** A difference of temperatures in degrees Fahrenheit, exactly 5/9 K: it is never shifted. */
    public static final UnitOfMeasure FAHRENHEIT_DIFFERENCE =
            new UnitOfMeasure("Δ°F", Units.KELVIN.multiply(5).divide(9));

    /** Conventional millimetre of mercury: 13,595.1 kg/m³ under standard gravity (NIST SP 811, B.8). */
    public static final UnitOfMeasure MILLIMETRE_OF_MERCURY =
            new UnitOfMeasure("mmHg", Units.PASCAL.multiply(133.322387415));

    /** Of water at its densest, 999.972 kg/m³, under standard gravity: 249.0819... Pa. */
    public static final UnitOfMeasure INCH_OF_WATER_AT_4_DEGREES =
            new UnitOfMeasure("inH2O (4 °C)", inchOfWater("999.972"));

    /** Of water of 60 °F (15.56 °C), 999.016 kg/m³, under standard gravity. */
    public static final UnitOfMeasure INCH_OF_WATER_AT_60_FAHRENHEIT =
            new UnitOfMeasure("inH2O (60 °F)", inchOfWater("999.016"));

    /** Of water of 20 °C (68 °F), 998.2071 kg/m³, under standard gravity. */
    public static final UnitOfMeasure INCH_OF_WATER_AT_20_DEGREES =
            new UnitOfMeasure("inH2O (20 °C)", inchOfWater("998.2071"));

    public static final UnitOfMeasure MILLIBAR = new UnitOfMeasure("mbar", Units.PASCAL.multiply(100));
    public static final UnitOfMeasure MEGAPASCAL = new UnitOfMeasure("MPa", Units.PASCAL.multiply(1_000_000));
    /** One avoirdupois pound under standard gravity, 4.4482216152605 N, on a square inch: 6894.757293168361... Pa. */
    public static final UnitOfMeasure POUND_PER_SQUARE_INCH = new UnitOfMeasure(
            "psi", Units.PASCAL.multiply(new BigDecimal("4.4482216152605")).divide(new BigDecimal("0.00064516")));

    public static final UnitOfMeasure BAR = new UnitOfMeasure("bar", Units.PASCAL.multiply(100_000));
    public static final UnitOfMeasure PASCAL = new UnitOfMeasure("Pa", Units.PASCAL);
    public static final UnitOfMeasure KILOPASCAL = new UnitOfMeasure("kPa", KILO(Units.PASCAL));
    public static final UnitOfMeasure AMPERE = new UnitOfMeasure("A", Units.AMPERE);
    public static final UnitOfMeasure MILLIAMPERE = new UnitOfMeasure("mA", MILLI(Units.AMPERE));
    public static final UnitOfMeasure OHM = new UnitOfMeasure("Ω", Units.OHM);
    public static final UnitOfMeasure KILOWATT = new UnitOfMeasure("kW", KILO(Units.WATT));
    public static final UnitOfMeasure METRE = new UnitOfMeasure("m", Units.METRE);
    public static final UnitOfMeasure MILLIMETRE = new UnitOfMeasure("mm", MILLI(Units.METRE));
    public static final UnitOfMeasure CUBIC_METRE_PER_HOUR =
            new UnitOfMeasure("m³/h", Units.CUBIC_METRE.divide(Units.HOUR));
    public static final UnitOfMeasure LITRE_PER_MINUTE = new UnitOfMeasure("l/min", Units.LITRE.divide(Units.MINUTE));
    public static final UnitOfMeasure REVOLUTIONS_PER_MINUTE =
            new UnitOfMeasure("1/min", tech.units.indriya.AbstractUnit.ONE.divide(Units.MINUTE));
    public static final UnitOfMeasure MINUTE = new UnitOfMeasure("min", Units.MINUTE);
    public static final UnitOfMeasure HOUR = new UnitOfMeasure("h", Units.HOUR);
    public static final UnitOfMeasure PERCENT = new UnitOfMeasure("%", Units.PERCENT);
    /** Exactly 25.4 mm/s. */
    public static final UnitOfMeasure INCH_PER_SECOND =
            new UnitOfMeasure("in/s", MILLI(Units.METRE).multiply(25.4).divide(Units.SECOND));
    /** A thousandth of an inch, exactly 25.4 µm. */
    public static final UnitOfMeasure MIL =
            new UnitOfMeasure("mil", MICRO(Units.METRE).multiply(25.4));

    public static final UnitOfMeasure INCH =
            new UnitOfMeasure("in", MILLI(Units.METRE).multiply(25.4));
    public static final UnitOfMeasure KILOHERTZ = new UnitOfMeasure("kHz", KILO(Units.HERTZ));
    public static final UnitOfMeasure MILLISECOND = new UnitOfMeasure("ms", MILLI(Units.SECOND));
    public static final UnitOfMeasure KILOVOLT = new UnitOfMeasure("kV", KILO(Units.VOLT));
    public static final UnitOfMeasure MICROAMPERE = new UnitOfMeasure("µA", MICRO(Units.AMPERE));
    public static final UnitOfMeasure MILLIOHM = new UnitOfMeasure("mΩ", MILLI(Units.OHM));
    public static final UnitOfMeasure KILOOHM = new UnitOfMeasure("kΩ", KILO(Units.OHM));
    public static final UnitOfMeasure MICROOHM = new UnitOfMeasure("µΩ", MICRO(Units.OHM));
    public static final UnitOfMeasure GIGAOHM = new UnitOfMeasure("GΩ", GIGA(Units.OHM));
    /** Resistivity, of concrete or soil. */
    public static final UnitOfMeasure OHM_METRE = new UnitOfMeasure("Ω·m", Units.OHM.multiply(Units.METRE));

    public static final UnitOfMeasure KILOOHM_CENTIMETRE =
            new UnitOfMeasure("kΩ·cm", KILO(Units.OHM).multiply(CENTI(Units.METRE)));
    public static final UnitOfMeasure MICROVOLT = new UnitOfMeasure("µV", MICRO(Units.VOLT));
    public static final UnitOfMeasure MEGAOHM = new UnitOfMeasure("MΩ", MEGA(Units.OHM));
    public static final UnitOfMeasure WATT = new UnitOfMeasure("W", Units.WATT);
    public static final UnitOfMeasure NEWTON = new UnitOfMeasure("N", Units.NEWTON);
    public static final UnitOfMeasure KILONEWTON = new UnitOfMeasure("kN", KILO(Units.NEWTON));
    public static final UnitOfMeasure NEWTON_METRE = new UnitOfMeasure("N·m", Units.NEWTON.multiply(Units.METRE));
    public static final UnitOfMeasure LITRE_PER_SECOND = new UnitOfMeasure("l/s", Units.LITRE.divide(Units.SECOND));
    public static final UnitOfMeasure LITRE_PER_HOUR = new UnitOfMeasure("l/h", Units.LITRE.divide(Units.HOUR));
    /** A level: of what, and over which reference, says the result. It converts into nothing else. */
    public static final UnitOfMeasure DECIBEL = new UnitOfMeasure("dB", new BaseUnit<>("dB", UnitDimension.parse('d')));

    public static final UnitOfMeasure ONE = new UnitOfMeasure("1", tech.units.indriya.AbstractUnit.ONE);

    /** Of an answer: 1 is yes, 0 is no, and they are shown so. */
    public static final UnitOfMeasure YES_OR_NO = new UnitOfMeasure("yes/no", tech.units.indriya.AbstractUnit.ONE);

    private static final Map<String, UnitOfMeasure> BY_SYMBOL = Stream.of(
                    METRE_PER_SQUARE_SECOND,
                    STANDARD_GRAVITY,
                    MILLIMETRE_PER_SECOND,
                    METRE_PER_SECOND,
                    MICROMETRE,
                    HERTZ,
                    SECOND,
                    VOLT,
                    MILLIVOLT,
                    MILLIVOLT_PER_G,
                    DEGREE_CELSIUS,
                    KELVIN,
                    DEGREE_FAHRENHEIT,
                    FAHRENHEIT_DIFFERENCE,
                    MILLIMETRE_OF_MERCURY,
                    INCH_OF_WATER_AT_4_DEGREES,
                    INCH_OF_WATER_AT_60_FAHRENHEIT,
                    INCH_OF_WATER_AT_20_DEGREES,
                    MILLIBAR,
                    MEGAPASCAL,
                    POUND_PER_SQUARE_INCH,
                    BAR,
                    PASCAL,
                    KILOPASCAL,
                    AMPERE,
                    MILLIAMPERE,
                    OHM,
                    KILOWATT,
                    METRE,
                    MILLIMETRE,
                    CUBIC_METRE_PER_HOUR,
                    LITRE_PER_MINUTE,
                    REVOLUTIONS_PER_MINUTE,
                    MINUTE,
                    HOUR,
                    PERCENT,
                    INCH_PER_SECOND,
                    MIL,
                    INCH,
                    KILOHERTZ,
                    MILLISECOND,
                    KILOVOLT,
                    MICROAMPERE,
                    MILLIOHM,
                    KILOOHM,
                    MICROOHM,
                    GIGAOHM,
                    OHM_METRE,
                    KILOOHM_CENTIMETRE,
                    MICROVOLT,
                    MEGAOHM,
                    WATT,
                    NEWTON,
                    KILONEWTON,
                    NEWTON_METRE,
                    LITRE_PER_SECOND,
                    LITRE_PER_HOUR,
                    DECIBEL,
                    YES_OR_NO,
                    ONE)
            .collect(Collectors.toUnmodifiableMap(UnitOfMeasure::symbol, Function.identity()));

    private UnitCatalogue() {}

    private static Unit<Pressure> inchOfWater(String density) {
        BigDecimal pascal =
                new BigDecimal("0.0254").multiply(new BigDecimal("9.80665")).multiply(new BigDecimal(density));
        return Units.PASCAL.multiply(pascal);
    }

    /** Every symbol, in the order of the alphabet. */
    public static List<String> symbols() {
        return BY_SYMBOL.keySet().stream().sorted().toList();
    }

    public static Optional<UnitOfMeasure> find(String symbol) {
        return Optional.ofNullable(BY_SYMBOL.get(symbol));
    }

    /** @throws IllegalArgumentException when no unit has this symbol */
    public static UnitOfMeasure get(String symbol) {
        return find(symbol).orElseThrow(() -> new Refused(Sentence.of("unit.unknown", "symbol", symbol)));
    }
}
