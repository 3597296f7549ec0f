package rovek.core.unit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What people choose one unit for (a kind of quantity, as the international vocabulary of metrology has it). A reading
 * belongs to the kind whose units it is stored in: a loop current in mA is of another kind than a motor current in A,
 * although both are electric currents, because nobody wants to read the one in the other's unit.
 */
public enum KindOfQuantity {
    VIBRATION_VELOCITY(UnitCatalogue.MILLIMETRE_PER_SECOND, UnitCatalogue.INCH_PER_SECOND),
    VIBRATION_ACCELERATION(UnitCatalogue.METRE_PER_SQUARE_SECOND, UnitCatalogue.STANDARD_GRAVITY),
    VIBRATION_DISPLACEMENT(UnitCatalogue.MICROMETRE, UnitCatalogue.MIL),
    ROTATIONAL_SPEED(UnitCatalogue.REVOLUTIONS_PER_MINUTE),
    FREQUENCY(UnitCatalogue.HERTZ, UnitCatalogue.KILOHERTZ),
    PRESSURE(
            UnitCatalogue.BAR,
            UnitCatalogue.MILLIBAR,
            UnitCatalogue.PASCAL,
            UnitCatalogue.KILOPASCAL,
            UnitCatalogue.MEGAPASCAL,
            UnitCatalogue.POUND_PER_SQUARE_INCH,
            UnitCatalogue.MILLIMETRE_OF_MERCURY,
            UnitCatalogue.INCH_OF_WATER_AT_4_DEGREES,
            UnitCatalogue.INCH_OF_WATER_AT_20_DEGREES,
            UnitCatalogue.INCH_OF_WATER_AT_60_FAHRENHEIT),
    TEMPERATURE(UnitCatalogue.DEGREE_CELSIUS, UnitCatalogue.DEGREE_FAHRENHEIT),
    TEMPERATURE_DIFFERENCE(UnitCatalogue.KELVIN, UnitCatalogue.FAHRENHEIT_DIFFERENCE),
    LENGTH(UnitCatalogue.METRE, UnitCatalogue.MILLIMETRE, UnitCatalogue.INCH),
    AIR_SPEED(UnitCatalogue.METRE_PER_SECOND),
    VOLUME_FLOW(
            UnitCatalogue.CUBIC_METRE_PER_HOUR,
            UnitCatalogue.LITRE_PER_MINUTE,
            UnitCatalogue.LITRE_PER_SECOND,
            UnitCatalogue.LITRE_PER_HOUR),
    VOLTAGE(UnitCatalogue.VOLT, UnitCatalogue.KILOVOLT),
    SIGNAL_VOLTAGE(UnitCatalogue.MILLIVOLT, UnitCatalogue.MICROVOLT),
    CURRENT(UnitCatalogue.AMPERE),
    LOOP_CURRENT(UnitCatalogue.MILLIAMPERE, UnitCatalogue.MICROAMPERE),
    RESISTANCE(UnitCatalogue.OHM, UnitCatalogue.KILOOHM),
    CELL_OHMIC_VALUE(UnitCatalogue.MILLIOHM, UnitCatalogue.MICROOHM),
    INSULATION_RESISTANCE(UnitCatalogue.MEGAOHM, UnitCatalogue.GIGAOHM),
    RESISTIVITY(UnitCatalogue.OHM_METRE, UnitCatalogue.KILOOHM_CENTIMETRE),
    POWER(UnitCatalogue.KILOWATT, UnitCatalogue.WATT),
    FORCE(UnitCatalogue.NEWTON, UnitCatalogue.KILONEWTON),
    TORQUE(UnitCatalogue.NEWTON_METRE);

    private final List<UnitOfMeasure> stored;

    KindOfQuantity(UnitOfMeasure... stored) {
        this.stored = List.of(stored);
    }

    /** As stored and sent, e.g. {@code vibration-velocity}. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Empty for an id that is none. */
    public static Optional<KindOfQuantity> find(String id) {
        return Arrays.stream(values()).filter(kind -> kind.id().equals(id)).findFirst();
    }

    /** The kind of what is stored in a unit; empty where there is nothing to choose: a share, a count, a duration. */
    public static Optional<KindOfQuantity> of(UnitOfMeasure stored) {
        return Arrays.stream(values())
                .filter(kind -> kind.stored.contains(stored))
                .findFirst();
    }

    /** Its units, the usual one first. */
    public List<UnitOfMeasure> stored() {
        return stored;
    }

    /** Whether it can be shown in a unit: a difference of temperatures never in one whose scale is shifted. */
    public boolean isShownIn(UnitOfMeasure unit) {
        boolean isDifference = this == TEMPERATURE_DIFFERENCE;
        return stored.get(0).isComparableTo(unit)
                && (!isDifference || unit.scale().offset().signum() == 0)
                && (isDifference || !TEMPERATURE_DIFFERENCE.stored.contains(unit) || unit.equals(UnitCatalogue.KELVIN));
    }
}
