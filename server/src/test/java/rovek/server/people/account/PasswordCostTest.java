package rovek.server.people.account;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.springframework.security.crypto.password.PasswordEncoder;

class PasswordCostTest {

    /**
     * As the OWASP cheat sheet on storing passwords asks: Argon2id, 19 MiB, two passes, one lane, and salt of its own
     * for each.
     */
    @Test
    void aPasswordIsKeptAtTheCostThatIsAskedFor() {
        PasswordEncoder encoder = new SecurityConfiguration().passwordEncoder();
        String kept = encoder.encode("a-long-test-password");
        assertThat(kept).startsWith("$argon2id$v=19$m=19456,t=2,p=1$").doesNotContain("a-long-test-password");
        assertThat(encoder.encode("a-long-test-password")).isNotEqualTo(kept);
        assertThat(encoder.matches("a-long-test-password", kept)).isTrue();
        assertThat(encoder.matches("a-long-test-passwore", kept)).isFalse();
    }
}
