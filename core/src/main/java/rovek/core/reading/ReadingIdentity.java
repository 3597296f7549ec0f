package rovek.core.reading;

import java.util.UUID;
import java.util.regex.Pattern;

/**
 * What makes a reading the same reading, by whatever way it comes in.
 *
 * @param instrument that took it, by its record: serial numbers of two makers may be the same, and some instruments
 *     have none
 * @param instrumentReadingId the instrument's own id for it
 * @param captureSha256 digest of the capture's bytes, 64 lower-case hexadecimal digits
 */
public record ReadingIdentity(UUID instrument, String instrumentReadingId, String captureSha256) {

    private static final Pattern SHA256 = Pattern.compile("[0-9a-f]{64}");

    public ReadingIdentity {
        if (instrumentReadingId.isBlank()) {
            throw new IllegalArgumentException("A reading needs the instrument's own id for it.");
        }
        if (!SHA256.matcher(captureSha256).matches()) {
            throw new IllegalArgumentException("Not a SHA-256 in hexadecimal: " + captureSha256);
        }
    }
}
