package rovek.server.judging.original;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rovek.link.Sha256;
import rovek.server.base.problem.DomainProblem;

/** Files under way are gone once they are not worked on any more, however that ended. */
class SpoolTest {

    @Test
    void itIsThereAsLongAsItIsWorkedOn() throws IOException {
        byte[] bytes = "abc".getBytes(StandardCharsets.US_ASCII);
        Path path;
        try (Spool spool = Spool.of(bytes)) {
            path = spool.path();
            assertThat(Files.readAllBytes(path)).isEqualTo(bytes);
            assertThat(spool.sha256()).isEqualTo(Sha256.of(bytes));
            assertThat(spool.size()).isEqualTo(3);
        }
        assertThat(path).doesNotExist();
    }

    @Test
    void whatCannotBeWrittenLeavesNothingBehind(@TempDir Path folder) {
        assertThatThrownBy(() -> Spool.in(folder, out -> {
                    out.write(1);
                    throw new IOException("No space left on device");
                }))
                .isInstanceOf(DomainProblem.Conflict.class)
                .hasMessageContaining("Free disk space there");
        assertThatThrownBy(() -> Spool.<RuntimeException>in(folder, out -> {
                    throw new IllegalStateException("the link broke");
                }))
                .isInstanceOf(IllegalStateException.class);
        assertThat(folder).isEmptyDirectory();
    }

    @Test
    void whatAPowerCutLeftIsRemovedADayLater() throws IOException {
        Path left = Files.createTempFile(Spool.NAMED, ".zip");
        Path under = Files.createTempFile(Spool.NAMED, ".zip");
        Path others = Files.createTempFile("another-program", ".zip");
        FileTime longAgo = FileTime.from(Instant.now().minus(Duration.ofHours(25)));
        Files.setLastModifiedTime(left, longAgo);
        Files.setLastModifiedTime(others, longAgo);
        new LeftSpools(Clock.systemUTC()).remove();
        assertThat(left).doesNotExist();
        assertThat(under).exists();
        assertThat(others).exists();
        Files.delete(under);
        Files.delete(others);
    }
}
