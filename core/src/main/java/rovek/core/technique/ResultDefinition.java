package rovek.core.technique;

import rovek.core.unit.UnitOfMeasure;

/**
 * A result a technique yields.
 *
 * @param id as stored, e.g. {@code velocity.rms}
 * @param name as shown, e.g. "velocity RMS"
 * @param statistic what stands beside the unit where there is little room, e.g. "RMS"; may be blank
 * @param unit its unit
 * @param sense which direction is worse
 */
public record ResultDefinition(String id, String name, String statistic, UnitOfMeasure unit, Sense sense) {

    /** Unit and statistic, e.g. "mm/s RMS". */
    public String unitLabel() {
        return (unit.shown() + " " + statistic).strip();
    }
}
