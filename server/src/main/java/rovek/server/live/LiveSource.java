package rovek.server.live;

import java.util.List;
import rovek.core.live.LiveChannel;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;

/** Where live values come from, once it is opened. */
interface LiveSource {

    /** How it is called. */
    String title();

    /** Model and serial number of what a recording is said to be taken with. */
    String model();

    String serial();

    /** What is done while the link stands. It ends when it wants to, or with the link. */
    interface Watch {
        void go(List<LiveChannel> channels, Fetch fetch) throws LinkException;
    }

    /** All channels as they are now. */
    interface Fetch {
        double[] now() throws LinkException;
    }

    /** Opens the link for as long as the watch goes on. */
    void open(Watch watch) throws LinkException, PackageException;
}
