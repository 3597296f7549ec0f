package rovek.core.technique;

import rovek.core.technique.Sense;
import rovek.core.unit.UnitOfMeasure;

/**
 * A result a technique yields.
 *
 * @param id as stored, e.g. {@code velocity.rms}
 * @param name as shown, e.g. "velocity RMS"
 * @param unit its unit
 * @param sense which direction is worse
 */
public record ResultDefinition(String id, String name, UnitOfMeasure unit, Sense sense) {}
