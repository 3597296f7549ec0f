package rovek.core.technique;

import rovek.core.unit.Amount;

/** Something a nameplate makes known beforehand, e.g. the frequency at which a defect would show. */
public record Characteristic(String name, Amount value) {}
