package rovek.server.people.account;

import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.session.SessionIdGenerator;

/** Words that nobody guesses, as names of sessions and as tokens: 216 random bits, where a random UUID has 122. */
final class Unguessable implements SessionIdGenerator {

    /** As many as make the 36 characters that are kept of a session's name. */
    private static final int BYTES = 27;

    private final SecureRandom random = new SecureRandom();

    @Override
    public String generate() {
        byte[] bytes = new byte[BYTES];
        random.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }
}
