package rovek.server.instruments.instrument;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.base.records.Turns;

/** Tells which instrument it is that names itself. */
@Component
class Recognition {

    private final InstrumentRepository instruments;
    private final Turns turns;

    Recognition(InstrumentRepository instruments, Turns turns) {
        this.instruments = instruments;
        this.turns = turns;
    }

    /**
     * Who somebody says to be.
     *
     * @param maker blank where it is not said, as in many files
     * @param serial blank where it has none
     * @param knownBy what tells it apart without a serial number: the connection it is reached by, or the person who
     *     brought its file
     */
    record Named(String maker, String model, String serial, String knownBy) {

        Named {
            knownBy = serial.isEmpty() ? knownBy : "";
        }
    }

    /**
     * The instrument that is meant, if it is known. Two makers' instruments with one serial number are two. Where only
     * one of the two sides names a maker, model and serial number decide, unless two known instruments share them.
     */
    Optional<InstrumentEntity> known(Named named) {
        List<InstrumentEntity> alike = instruments.findBySerialAndKnownBy(named.serial(), named.knownBy()).stream()
                .filter(one -> one.model.equalsIgnoreCase(named.model()))
                .toList();
        Optional<InstrumentEntity> exact = alike.stream()
                .filter(one -> one.maker.equalsIgnoreCase(named.maker()))
                .findFirst();
        if (exact.isPresent()) {
            return exact;
        }
        List<InstrumentEntity> open = named.maker().isBlank()
                ? alike
                : alike.stream().filter(one -> one.maker.isBlank()).toList();
        return open.size() == 1 ? Optional.of(open.get(0)) : Optional.empty();
    }

    /**
     * As {@link #known}; until the caller's transaction ends nobody else puts an instrument with this serial number on
     * the shelf.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public Optional<InstrumentEntity> knownForGood(Named named) {
        Optional<InstrumentEntity> known = known(named);
        if (known.isPresent()) {
            return known;
        }
        turns.take(Turns.Turn.ADD_INSTRUMENT, named.serial());
        return known(named);
    }

    /** Whether it is the one that is named. */
    static boolean isSame(InstrumentEntity instrument, Named named) {
        return instrument.serial.equals(named.serial())
                && instrument.model.equalsIgnoreCase(named.model())
                && (instrument.maker.isBlank()
                        || named.maker().isBlank()
                        || instrument.maker.equalsIgnoreCase(named.maker()));
    }
}
