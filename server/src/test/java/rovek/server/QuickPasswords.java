package rovek.server;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;

/**
 * Passwords kept as in use, at a price that hundreds of tests can pay. What they cost in use is tested where it is set.
 */
class QuickPasswords {

    @Bean
    @Primary
    PasswordEncoder quickPasswordEncoder() {
        return new Argon2PasswordEncoder(16, 32, 1, 64, 1);
    }
}
