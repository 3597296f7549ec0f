package rovek.core.reading;

import rovek.core.unit.Amount;

/** One number as an instrument, a gauge or a person gave it. */
public record ValueCapture(Amount value) implements Capture {}
