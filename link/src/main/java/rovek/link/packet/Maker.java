package rovek.link.packet;

import java.util.Optional;
import rovek.link.InstrumentIdentity;

/**
 * Who made a field package.
 *
 * @param instrument absent where Rovek made it; for readings written down by hand the person stands in its place
 */
public record Maker(String program, Optional<MakingInstrument> instrument) {

    /**
     * An instrument as it names itself in a package.
     *
     * @param maker blank where the package does not say
     * @param serial blank where the instrument has none to tell; "0" says the same, after IEEE 488.2, 10.14
     */
    public record MakingInstrument(String maker, String model, String serial, String firmware) {

        public MakingInstrument {
            maker = maker.strip();
            model = model.strip();
            serial = InstrumentIdentity.knownSerial(serial);
        }

        /** Of a maker that is not known. */
        public MakingInstrument(String model, String serial, String firmware) {
            this("", model, serial, firmware);
        }
    }

    private static final String BY_HAND = "Written by hand";

    /** Somebody who wrote readings down without any instrument. */
    public static Maker byHand(String person) {
        return new Maker("Rovek", Optional.of(new MakingInstrument(BY_HAND, "hand/" + person, "")));
    }

    public boolean isByHand() {
        return instrument
                .filter(one -> one.model().equals(BY_HAND) && one.serial().startsWith("hand/"))
                .isPresent();
    }

    public static Maker rovek() {
        return new Maker("Rovek", Optional.empty());
    }
}
