package rovek.link.packet;

import java.util.Map;
import java.util.Optional;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.unit.WrittenUnit;

/**
 * How units are read that somebody else wrote: by their symbols, as they are often written, and as a person said once
 * what a maker means.
 *
 * @param said what a maker writes, to the symbol of the unit that is meant
 */
public record UnitReading(Map<String, String> said) {

    public static final UnitReading USUAL = new UnitReading(Map.of());

    public UnitReading {
        said = Map.copyOf(said);
    }

    public Optional<UnitOfMeasure> find(String written) {
        return WrittenUnit.find(written)
                .or(() -> Optional.ofNullable(said.get(written.strip())).flatMap(UnitCatalogue::find));
    }
}
