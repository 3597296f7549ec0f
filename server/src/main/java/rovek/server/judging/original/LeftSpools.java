package rovek.server.judging.original;

import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Removes files under way that a power cut left on the disk. Those of another server on this machine are younger. */
@Component
class LeftSpools {

    private static final Logger LOG = LoggerFactory.getLogger(LeftSpools.class);
    private static final Duration LEFT = Duration.ofDays(1);

    private final Clock clock;

    LeftSpools(Clock clock) {
        this.clock = clock;
    }

    @EventListener(ApplicationReadyEvent.class)
    void remove() {
        try (DirectoryStream<Path> files = Files.newDirectoryStream(Spool.FOLDER, Spool.NAMED + "*")) {
            for (Path file : files) {
                if (Files.getLastModifiedTime(file).toInstant().plus(LEFT).isBefore(clock.instant())) {
                    Files.deleteIfExists(file);
                }
            }
        } catch (IOException e) {
            LOG.warn("Files under way that were left behind could not be removed.", e);
        }
    }
}
