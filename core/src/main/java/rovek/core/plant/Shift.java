package rovek.core.plant;

/**
 * How one facet of a node changes. The former value is kept so that two people who change the same thing are noticed,
 * and the change can be taken back.
 *
 * @param from as it was seen; empty where it was not there
 * @param to as it shall be; empty to take it away
 */
public record Shift(String from, String to) {

    public Shift inverse() {
        return new Shift(to, from);
    }
}
