package rovek.core.reading;

import java.util.regex.Pattern;

/**
 * What makes a reading the same reading, by whatever way it comes in.
 *
 * @param instrumentSerial of the instrument that took it
 * @param instrumentReadingId the instrument's own id for it
 * @param captureSha256 digest of the capture's bytes, 64 lower-case hexadecimal digits
 */
public record ReadingIdentity(String instrumentSerial, String instrumentReadingId, String captureSha256) {

    private static final Pattern SHA256 = Pattern.compile("[0-9a-f]{64}");

    public ReadingIdentity {
        if (instrumentSerial.isBlank() || instrumentReadingId.isBlank()) {
            throw new IllegalArgumentException("A reading needs the instrument's serial number and its own id.");
        }
        if (!SHA256.matcher(captureSha256).matches()) {
            throw new IllegalArgumentException("Not a SHA-256 in hexadecimal: " + captureSha256);
        }
    }
}
