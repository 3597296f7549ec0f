package rovek.core.technique;

import rovek.core.unit.Amount;

/** One number that an analysis came to. */
public record Result(ResultDefinition definition, Amount value) {}
