package rovek.server.people.unit;

import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import rovek.core.unit.KindOfQuantity;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;

/** What comes of the choices for everything that is stored. */
public final class ShownUnits {

    private final Map<String, UnitChoices.ChosenUnit> chosen;
    private final KnownUnits known;

    /** @param chosen kind to choice */
    ShownUnits(Map<String, UnitChoices.ChosenUnit> chosen, KnownUnits known) {
        this.chosen = Map.copyOf(chosen);
        this.known = known;
    }

    /** The unit that what is stored in one is shown in: the same where nothing else is chosen. */
    public UnitOfMeasure unit(UnitOfMeasure stored) {
        return chosen(stored).map(choice -> found(choice, stored)).orElse(stored);
    }

    private UnitOfMeasure found(UnitChoices.ChosenUnit choice, UnitOfMeasure stored) {
        return UnitCatalogue.find(choice.unit())
                .or(() -> known.own().stream()
                        .filter(unit -> unit.symbol().equals(choice.unit()))
                        .findFirst())
                .filter(unit -> unit.isComparableTo(stored))
                .orElse(stored);
    }

    private Optional<UnitChoices.ChosenUnit> chosen(UnitOfMeasure stored) {
        return KindOfQuantity.of(stored).map(kind -> chosen.get(kind.id()));
    }

    /** With how many decimals what is stored in a unit is shown; empty where they follow from the number. */
    public OptionalInt decimals(UnitOfMeasure stored) {
        return chosen(stored).stream()
                .map(UnitChoices.ChosenUnit::decimals)
                .filter(Objects::nonNull)
                .mapToInt(Integer::intValue)
                .findFirst();
    }

    /** How numbers of a stored unit are shown. */
    public ShownColumn column(UnitOfMeasure stored) {
        return new ShownColumn(stored, unit(stored));
    }

    /** For the front end; empty where nothing is chosen. */
    Optional<UnitChoices.ShownUnit> of(UnitOfMeasure stored) {
        return chosen(stored).map(choice -> {
            UnitOfMeasure unit = unit(stored);
            return new UnitChoices.ShownUnit(
                    stored.symbol(),
                    unit.symbol(),
                    stored.convertDifference(1, unit),
                    stored.convert(0, unit),
                    choice.decimals());
        });
    }
}
