package rovek.core.unit;

import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** Two amounts were to be compared or converted whose dimensions differ. */
public final class IncomparableUnitsException extends Refused {

    private static final long serialVersionUID = 1L;

    public IncomparableUnitsException(UnitOfMeasure from, UnitOfMeasure to) {
        super(Sentence.of("unit.incomparable", "unit", from.symbol(), "other", to.symbol()));
    }
}
