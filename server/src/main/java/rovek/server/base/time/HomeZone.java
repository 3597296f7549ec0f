package rovek.server.base.time;

import java.time.ZoneId;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The time zone of the company: of everything that belongs to no site, and of sites that do not say theirs. */
@Component
public class HomeZone {

    private final ZoneId id;

    HomeZone(@Value("${rovek.time-zone:UTC}") String id) {
        this.id = ZoneId.of(id);
    }

    public ZoneId id() {
        return id;
    }
}
