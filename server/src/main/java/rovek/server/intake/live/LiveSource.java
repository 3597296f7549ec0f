package rovek.server.intake.live;

import java.util.List;
import rovek.core.live.LiveChannel;
import rovek.core.wording.Sentence;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;
import rovek.server.instruments.instrument.LinkHold;

/**
 * Where live values come from.
 *
 * @param title how it is called
 * @param model of what a recording is said to be taken with, likewise {@code serial}
 */
record LiveSource(Sentence title, String model, String serial, Opening opening) {

    /** Opens the link for as long as the watch goes on. */
    interface Opening {
        void open(Watch watch) throws LinkException, PackageException;
    }

    /** What is done while the link stands. It ends when it wants to, or with the link. */
    interface Watch {
        void go(List<LiveChannel> channels, Fetch fetch, LinkHold hold) throws LinkException;
    }

    /** All channels as they are now, NaN where one has no value. */
    interface Fetch {
        double[] now() throws LinkException;
    }
}
