package rovek.core.unit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The units that people may type here: those of the catalogue in their usual spellings, and the company's own. */
public final class KnownUnits {

    /** Without any of one's own. */
    public static final KnownUnits CATALOGUE = new KnownUnits(List.of());

    private final Map<String, UnitOfMeasure> own = new LinkedHashMap<>();

    public KnownUnits(List<UnitOfMeasure> own) {
        own.forEach(unit -> this.own.put(unit.symbol(), unit));
    }

    /** Those of one's own, in the order they were given. */
    public List<UnitOfMeasure> own() {
        return List.copyOf(own.values());
    }

    /** The unit a text names; one's own by its symbol exactly. */
    public Optional<UnitOfMeasure> find(String written) {
        return WrittenUnit.find(written).or(() -> Optional.ofNullable(own.get(written.strip())));
    }
}
