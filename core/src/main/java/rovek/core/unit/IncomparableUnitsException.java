package rovek.core.unit;

/** Two amounts were to be compared or converted whose dimensions differ. */
public final class IncomparableUnitsException extends IllegalArgumentException {

    private static final long serialVersionUID = 1L;

    public IncomparableUnitsException(UnitOfMeasure from, UnitOfMeasure to) {
        super("%s cannot be expressed in %s: they are not the same kind of quantity.".formatted(from, to));
    }
}
