package rovek.fieldsim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rovek.core.setup.SetupContent;
import rovek.link.Instrument;
import rovek.link.InstrumentAddress;
import rovek.link.InstrumentFile;
import rovek.link.LinkException;
import rovek.link.Sha256;
import rovek.link.packet.FirmwarePackage;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.SetupPackage;

/** The same instrument by a serial line and as a drive; and its firmware, which is never left half done. */
class OtherWaysInTest {

    @TempDir
    Path folder;

    private final PanelCaller panel = new PanelCaller();

    private Fieldsim start(Fieldsim.Kind kind, Optional<Path> line, Optional<Path> drive) {
        return Fieldsim.start(new StandIn(kind, "", folder.resolve("memory"), 0, 0, line, drive), Clock.systemUTC());
    }

    private static byte[] readAll(Instrument instrument, InstrumentFile file, int piece) throws LinkException {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        while (all.size() < file.bytes()) {
            all.writeBytes(instrument.slice(file.name(), all.size(), piece));
        }
        return all.toByteArray();
    }

    private static byte[] setup() {
        SetupContent content = new SetupContent(
                Map.of("intervalSeconds", "30", "stop", "when told to", "start", "at once"),
                List.of(Map.of("name", "Level", "input", "Pt100")));
        return new SetupPackage(UUID.randomUUID(), 1, "Reservoir", "logger", Instant.now(), content).pack();
    }

    @Test
    void aSerialLineCarriesTheWholeConversation() throws Exception {
        Path near = folder.resolve("line");
        try (Fieldsim cells = start(Fieldsim.Kind.CELLS, Optional.of(near), Optional.empty())) {
            panel.press(cells, "/api/loose", "{\"technique\":\"battery\",\"assetTag\":\"BAT-1\",\"unnamed\":true}");
            InstrumentAddress line = new InstrumentAddress.Line(near.toString(), 115_200);
            for (int round = 0; round < 2; round++) {
                try (Instrument instrument = line.connect(Optional.of("4711"))) {
                    assertThat(instrument.identity().model()).isEqualTo("CT-48");
                    assertThat(instrument.temperatureCelsius().getAsDouble()).isBetween(15.0, 35.0);
                    InstrumentFile file = instrument.catalogue().files().get(0);
                    byte[] read = readAll(instrument, file, 1_000);
                    assertThat(Sha256.of(read)).isEqualTo(instrument.digest(file.name()));
                    assertThat(ReadingsPackage.unpack(read).readings()).hasSize(1);
                }
            }
            panel.press(cells, "/api/faults", "{\"cutAfterBytes\":40}");
            assertThatThrownBy(() -> line.connect(Optional.of("4711")).catalogue())
                    .isInstanceOf(LinkException.TimedOut.class);
            try (Instrument again = line.connect(Optional.of("4711"))) {
                assertThat(again.identity().serial())
                        .as("a broken conversation leaves nothing behind")
                        .isEqualTo("72915");
            }
        }
        assertThatThrownBy(() -> new InstrumentAddress.Line("/dev/no-such-line", 115_200).connect(Optional.empty()))
                .isInstanceOf(LinkException.NotReachable.class);
    }

    @Test
    void aDriveIsReadLoadedAndClearedAndIsGoneWhenUnplugged() throws Exception {
        Path drive = folder.resolve("drive");
        InstrumentAddress address = new InstrumentAddress.Folder(drive);
        try (Fieldsim logger = start(Fieldsim.Kind.LOGGER, Optional.empty(), Optional.of(drive))) {
            panel.press(logger, "/api/loose", "{\"technique\":\"run\",\"assetTag\":\"reservoir\",\"unnamed\":true}");
            try (Instrument instrument = address.connect(Optional.empty())) {
                assertThat(instrument.identity().options()).containsKey("run");
                assertThat(instrument.clock()).isEmpty();
                Waiting.until(() -> instrument.catalogue().files().size() == 1);
                InstrumentFile run = instrument.catalogue().files().get(0);
                assertThat(run.type()).isEqualTo("RUN");
                assertThat(Sha256.of(readAll(instrument, run, 700))).isEqualTo(instrument.digest(run.name()));
                byte[] setup = setup();
                instrument.write("SETUPS/SETUP.zip", setup);
                assertThat(instrument.digest("SETUPS/SETUP.zip")).isEqualTo(Sha256.of(setup));
                Waiting.until(() ->
                        panel.state(logger).get("setup").get("name").asString().startsWith("Reservoir"));
                instrument.delete(run.name());
                Waiting.until(() -> panel.state(logger).get("loose").isEmpty());
                assertThatThrownBy(() -> instrument.slice(run.name(), 0, 10))
                        .isInstanceOf(LinkException.NoSuchFile.class);
                assertThatThrownBy(() -> instrument.slice("../memory/state/counters.json", 0, 10))
                        .isInstanceOf(LinkException.NoSuchFile.class);
                assertThatThrownBy(() -> instrument.setClock(Instant.now()))
                        .isInstanceOf(LinkException.NotByThisWay.class);
            }
        }
        assertThatThrownBy(() -> address.connect(Optional.empty())).isInstanceOf(LinkException.NotReachable.class);
        Files.createDirectories(drive);
        Files.writeString(drive.resolve("instrument.json"), "{\"model\":\"X\",\"serial\":\"0\"}");
        assertThat(address.connect(Optional.empty()).identity().serial())
                .as("it has none")
                .isEmpty();
        Files.writeString(drive.resolve("instrument.json"), "{\"model\":\"%s\"}".formatted("X".repeat(201)));
        assertThatThrownBy(() -> address.connect(Optional.empty()).identity())
                .isInstanceOf(LinkException.Garbled.class);
        Files.writeString(drive.resolve("instrument.json"), "{\"serial\":\"7\"}");
        assertThatThrownBy(() -> address.connect(Optional.empty()).identity())
                .isInstanceOf(LinkException.Garbled.class);
    }

    @Test
    void firmwareGoesOnAfterACutAndIsInstalledOnlyWhole() throws Exception {
        byte[] image = new FirmwarePackage("VH-2", "2.5.0", 1, Instant.now(), new byte[50_000]).pack();
        byte[] foreign = new FirmwarePackage("LC-4", "9.9.9", 1, Instant.now(), new byte[500]).pack();
        try (Fieldsim handheld = start(Fieldsim.Kind.VIBRATION, Optional.empty(), Optional.empty())) {
            InstrumentAddress address = new InstrumentAddress.Network("127.0.0.1", handheld.instrumentPort());
            int half = image.length / 2;
            try (Instrument instrument = address.connect(Optional.of("4711"))) {
                instrument.beginFirmware(Sha256.of(image), image.length);
                instrument.writeFirmware(0, java.util.Arrays.copyOf(image, half));
                assertThatThrownBy(instrument::installFirmware)
                        .as("half of it")
                        .isInstanceOf(LinkException.Refused.class);
            }
            try (Instrument instrument = address.connect(Optional.of("4711"))) {
                instrument.beginFirmware(Sha256.of(image), image.length);
                instrument.writeFirmware(0, java.util.Arrays.copyOf(image, half));
            }
            try (Instrument instrument = address.connect(Optional.of("4711"))) {
                instrument.beginFirmware(Sha256.of(image), image.length);
                assertThat(instrument.firmware().bytes())
                        .as("it goes on where it stopped")
                        .isEqualTo(half);
                instrument.writeFirmware(half, java.util.Arrays.copyOfRange(image, half, image.length));
                panel.press(handheld, "/api/battery", "{\"percent\":12}");
                assertThatThrownBy(instrument::installFirmware).isInstanceOf(LinkException.BatteryLow.class);
                assertThat(instrument.identity().firmware()).isEqualTo("2.4.1");
                panel.press(handheld, "/api/battery", "{\"percent\":80}");
                instrument.installFirmware();
                assertThatThrownBy(instrument::identity)
                        .as("nothing else is possible meanwhile")
                        .isInstanceOf(LinkException.Busy.class);
                Waiting.until(() -> !instrument.firmware().isInstalling());
                assertThat(instrument.identity().firmware()).isEqualTo("2.5.0");
                instrument.beginFirmware(Sha256.of(foreign), foreign.length);
                instrument.writeFirmware(0, foreign);
                assertThatThrownBy(instrument::installFirmware).hasMessageContaining("This firmware is for LC-4");
            }
        }
    }
}
