package rovek.link.packet;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import rovek.core.wording.Sentence;

/** Times as a package writes them: UTC, ISO 8601. */
final class Times {

    private Times() {}

    static Instant instant(String text, String where) throws PackageException {
        try {
            return Instant.parse(text);
        } catch (DateTimeParseException e) {
            throw PackageException.invalid(where, Sentence.of("packet.notATime", "text", text));
        }
    }
}
