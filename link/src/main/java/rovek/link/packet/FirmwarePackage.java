package rovek.link.packet;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.PrivateKey;
import java.security.Signature;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Firmware for instruments of one model, as a file.
 *
 * @param model the only one it is for
 * @param version as the instrument will name it
 * @param seconds how long the instrument takes to install it
 * @param image what the instrument installs
 * @param signature the maker's over {@link #signedText}, Ed25519 (RFC 8032), 64 bytes; empty where there is none
 */
public record FirmwarePackage(
        String model, String version, int seconds, Instant createdAt, byte[] image, Optional<byte[]> signature) {

    /** Of a signature, as the JDK knows it. */
    public static final String ALGORITHM = "Ed25519";

    private static final String ABOUT = "firmware.json";
    private static final String IMAGE = "image.bin";
    private static final String SIGNATURE = "signature.bin";
    private static final int SIGNATURE_BYTES = 64;

    /** Without a signature. */
    public FirmwarePackage(String model, String version, int seconds, Instant createdAt, byte[] image) {
        this(model, version, seconds, createdAt, image, Optional.empty());
    }

    /**
     * What a maker signs: the model it is for, its version, how long it takes and the image's digest, a line each,
     * UTF-8.
     */
    public static String signedText(String model, String version, int seconds, String imageSha256) {
        return "rovek-firmware 1\n%s\n%s\n%d\n%s\n".formatted(model, version, seconds, imageSha256);
    }

    /** The same, signed as its maker does. */
    public FirmwarePackage signedWith(PrivateKey key) throws GeneralSecurityException {
        Signature signing = Signature.getInstance(ALGORITHM);
        signing.initSign(key);
        signing.update(signedText(model, version, seconds, Sha256.of(image)).getBytes(StandardCharsets.UTF_8));
        return new FirmwarePackage(model, version, seconds, createdAt, image, Optional.of(signing.sign()));
    }

    public byte[] pack() {
        ObjectNode about = Schemas.PUBLISHED.json().createObjectNode();
        about.put("model", model).put("version", version).put("seconds", seconds);
        Map<String, byte[]> entries = new LinkedHashMap<>();
        entries.put(ABOUT, Schemas.PUBLISHED.json().writeValueAsBytes(about));
        entries.put(IMAGE, image);
        signature.ifPresent(bytes -> entries.put(SIGNATURE, bytes));
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
            throw PackageException.foreign(Sentence.of("packet.noFirmware"));
        }
        Optional<byte[]> signature = Optional.ofNullable(entries.entries().get(SIGNATURE));
        if (signature.isPresent() && signature.get().length != SIGNATURE_BYTES) {
            throw PackageException.invalid(SIGNATURE, Sentence.of("packet.signatureLength", "bytes", SIGNATURE_BYTES));
        }
        JsonNode node = Schemas.PUBLISHED.firmware(about);
        return new FirmwarePackage(
                node.get("model").stringValue(),
                node.get("version").stringValue(),
                node.get("seconds").intValue(),
                entries.createdAt(),
                image,
                signature);
    }
}
