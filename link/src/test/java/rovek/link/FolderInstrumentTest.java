package rovek.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.entry;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Drives on which somebody laid what leads elsewhere. */
class FolderInstrumentTest {

    @TempDir
    Path folder;

    private Path drive;
    private Path secret;

    @BeforeEach
    void plugIn() throws IOException {
        drive = Files.createDirectories(folder.resolve("drive"));
        Files.createDirectories(drive.resolve("RESULTS"));
        Files.writeString(drive.resolve("instrument.json"), "{\"model\":\"X\"}");
        secret = Files.writeString(folder.resolve("secret.key"), "secret of the server");
    }

    private Instrument open() throws LinkException {
        return new InstrumentAddress.Folder(drive).connect(Optional.empty());
    }

    @Test
    void aSymbolicLinkIsNoFileOfTheInstruments() throws Exception {
        Files.writeString(drive.resolve("RESULTS/A.zip"), "own");
        Files.createSymbolicLink(drive.resolve("RESULTS/B.zip"), secret);
        Files.createSymbolicLink(drive.resolve("RUNS"), folder);
        Files.writeString(folder.resolve("C.zip"), "elsewhere");
        Instrument instrument = open();
        assertThat(instrument.catalogue().files())
                .extracting(InstrumentFile::name)
                .containsExactly("RESULTS/A.zip");
        for (String name : List.of(
                "RESULTS/B.zip",
                "RUNS/C.zip",
                "RUNS/secret.key",
                "../secret.key",
                "RESULTS/../../secret.key",
                "",
                "A\u0000B")) {
            assertThatThrownBy(() -> instrument.slice(name, 0, 10))
                    .as(name)
                    .isInstanceOf(LinkException.NoSuchFile.class);
            assertThatThrownBy(() -> instrument.digest(name)).as(name).isInstanceOf(LinkException.NoSuchFile.class);
            assertThatThrownBy(() -> instrument.delete(name)).as(name).isInstanceOf(LinkException.NoSuchFile.class);
        }
        assertThat(folder.resolve("C.zip")).exists();
    }

    @Test
    void nothingIsWrittenThroughASymbolicLink() throws Exception {
        Path elsewhere = Files.createDirectories(folder.resolve("elsewhere"));
        Files.createSymbolicLink(drive.resolve("ROUTES"), elsewhere);
        Files.createSymbolicLink(
                Files.createDirectories(drive.resolve("SETUPS")).resolve("SETUP.zip.part"), secret);
        Instrument instrument = open();
        assertThatThrownBy(() -> instrument.write("ROUTES/ROUTE.zip", new byte[3]))
                .isInstanceOf(LinkException.NoSuchFile.class);
        assertThat(Files.list(elsewhere)).isEmpty();
        instrument.write("SETUPS/SETUP.zip", "setup".getBytes(StandardCharsets.UTF_8));
        assertThat(Files.readString(drive.resolve("SETUPS/SETUP.zip"))).isEqualTo("setup");
        assertThat(Files.readString(secret)).as("what the link led to").isEqualTo("secret of the server");
    }

    @Test
    void anIdentityThatLiesElsewhereOrHasNoEndIsNone() throws Exception {
        Path identity = drive.resolve("instrument.json");
        Files.writeString(identity, "{\"model\":\"X\",\"more\":\"%s\"}".formatted("x".repeat(70_000)));
        assertThatThrownBy(() -> open().identity())
                .isInstanceOf(LinkException.Garbled.class)
                .hasMessageContaining("link.identityLarge");
        Files.delete(identity);
        Files.createSymbolicLink(identity, Files.writeString(folder.resolve("other.json"), "{\"model\":\"X\"}"));
        assertThatThrownBy(this::open).isInstanceOf(LinkException.NotReachable.class);
    }

    @Test
    void optionsAreAMapOrAList() throws Exception {
        Files.writeString(
                drive.resolve("instrument.json"), "{\"model\":\"X\",\"options\":{\"VIBRATION\":\"2\",\"Live\":\"1\"}}");
        assertThat(open().identity().options()).containsOnly(entry("vibration", "2"), entry("live", "1"));
        Files.writeString(drive.resolve("instrument.json"), "{\"model\":\"X\",\"options\":[\"VIBRATION\",\"Live\"]}");
        assertThat(open().identity().options()).containsOnly(entry("vibration", ""), entry("live", ""));
    }

    @Test
    void aPieceBeyondTheEndIsEmptyAndADigestTakesTheWhole() throws Exception {
        Files.writeString(drive.resolve("RESULTS/A.zip"), "0123456789");
        Instrument instrument = open();
        assertThat(instrument.slice("RESULTS/A.zip", 8, 10)).containsExactly('8', '9');
        assertThat(instrument.slice("RESULTS/A.zip", 10, 10)).isEmpty();
        assertThat(instrument.slice("RESULTS/A.zip", 1_000, 10)).isEmpty();
        assertThat(instrument.digest("RESULTS/A.zip"))
                .isEqualTo("84d89877f0d4041efb6bf91a16f0248f2fd573e6af05c19f96bedb9f882f7882");
    }
}
