package rovek.link.packet;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Firmware for instruments of one model, as a file.
 *
 * @param model the only one it is for
 * @param version as the instrument will name it
 * @param seconds how long the instrument takes to install it
 * @param image what the instrument installs
 */
public record FirmwarePackage(String model, String version, int seconds, Instant createdAt, byte[] image) {

    private static final String ABOUT = "firmware.json";
    private static final String IMAGE = "image.bin";

    public byte[] pack() {
        ObjectNode about = Schemas.PUBLISHED.json().createObjectNode();
        about.put("model", model).put("version", version).put("seconds", seconds);
        Map<String, byte[]> entries = new LinkedHashMap<>();
        entries.put(ABOUT, Schemas.PUBLISHED.json().writeValueAsBytes(about));
        entries.put(IMAGE, image);
        return new PackageEntries("firmware", createdAt, new Maker("firmware", Optional.empty()), entries).pack();
    }

    public static FirmwarePackage unpack(byte[] packed) throws PackageException {
        return Understanding.of(() -> taken(packed));
    }

    private static FirmwarePackage taken(byte[] packed) throws PackageException {
        PackageEntries entries = PackageEntries.unpack(packed);
        byte[] about = entries.entries().get(ABOUT);
        byte[] image = entries.entries().get(IMAGE);
        if (!entries.kind().equals("firmware") || about == null || image == null) {
            throw PackageException.foreign("it holds no firmware");
        }
        JsonNode node = Schemas.PUBLISHED.firmware(about);
        return new FirmwarePackage(
                node.get("model").stringValue(), node.get("version").stringValue(), node.get("seconds").intValue(), entries.createdAt(), image);
    }
}
