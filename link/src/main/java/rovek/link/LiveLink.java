package rovek.link;

import java.util.List;
import rovek.core.live.LiveChannel;

/** Something that can be asked again and again how it is now. */
public interface LiveLink extends AutoCloseable {

    /** What it shows; the same for as long as the link stands. */
    List<LiveChannel> channels() throws LinkException;

    /** All channels as they are now, NaN where one has no value. */
    double[] fetch() throws LinkException;

    @Override
    void close();
}
