package rovek.server.instruments.instrument;

import rovek.core.wording.Sentence;

/** An instrument that is held for somebody who only looks, and gives way to whoever works with it. */
public interface LinkHold {

    /** Whether somebody waits for it. To be asked now and then; whoever hears yes ends what he does with the link. */
    boolean isWanted();

    /**
     * Says what is done with it from now on.
     *
     * @param givesWay whether it is still only looking
     */
    void doing(Sentence purpose, boolean givesWay);

    /** @throws GaveWay where somebody waits for it */
    default void giveWay() {
        if (isWanted()) {
            throw new GaveWay();
        }
    }

    /** The link was left to somebody who works with the instrument. */
    final class GaveWay extends RuntimeException {
        private static final long serialVersionUID = 1L;

        GaveWay() {
            super("gave way", null, false, false);
        }

        public Sentence sentence() {
            return Sentence.of("instruments.gaveWay");
        }
    }
}
