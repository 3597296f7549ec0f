package rovek.core.live;

/**
 * A quantity that an instrument shows as it is now.
 *
 * @param unit as the instrument writes it; blank for a mere number
 */
public record LiveChannel(String name, String unit) {}
