package rovek.link.packet;

import java.util.Optional;

/**
 * Who made a field package.
 *
 * @param instrument absent where Rovek made it
 */
public record Maker(String program, Optional<MakingInstrument> instrument) {

    /** An instrument as it names itself in a package. */
    public record MakingInstrument(String model, String serial, String firmware) {}

    public static Maker rovek() {
        return new Maker("Rovek", Optional.empty());
    }
}
