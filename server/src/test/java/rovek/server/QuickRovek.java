package rovek.server;

import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** The real application as tests start it. */
final class QuickRovek {

    private QuickRovek() {}

    public static void main(String[] arguments) {
        run(arguments);
    }

    static ConfigurableApplicationContext run(String... arguments) {
        return SpringApplication.run(new Class<?>[] {RovekApplication.class, QuickPasswords.class}, arguments);
    }
}
