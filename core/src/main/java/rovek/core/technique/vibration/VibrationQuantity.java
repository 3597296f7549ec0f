package rovek.core.technique.vibration;

import java.util.Arrays;
import java.util.Locale;
import rovek.core.signal.Integration;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;

/** What of a vibration is looked at: the acceleration as it was measured, or its first or second integral over time. */
public enum VibrationQuantity {
    ACCELERATION(Integration.NONE, 1, UnitCatalogue.METRE_PER_SQUARE_SECOND),
    VELOCITY(Integration.TO_VELOCITY, 1e3, UnitCatalogue.MILLIMETRE_PER_SECOND),
    DISPLACEMENT(Integration.TO_DISPLACEMENT, 1e6, UnitCatalogue.MICROMETRE);

    private final Integration integration;
    private final double scale;
    private final UnitOfMeasure unit;

    VibrationQuantity(Integration integration, double scale, UnitOfMeasure unit) {
        this.integration = integration;
        this.scale = scale;
        this.unit = unit;
    }

    /** @throws java.util.NoSuchElementException for any other word */
    static VibrationQuantity of(String word) {
        return Arrays.stream(values())
                .filter(one -> one.word().equals(word))
                .findFirst()
                .orElseThrow();
    }

    /** As settings name it. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public UnitOfMeasure unit() {
        return unit;
    }

    Integration integration() {
        return integration;
    }

    /** From what the integration of m/s² gives to {@link #unit}. */
    double scale() {
        return scale;
    }
}
