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
        return application().run(arguments);
    }

    /** As {@link #run}, with every statement told to somebody. */
    static ConfigurableApplicationContext run(CountedStatements statements, String... arguments) {
        SpringApplication application = application();
        application.addInitializers(context -> context.getBeanFactory().addBeanPostProcessor(statements));
        return application.run(arguments);
    }

    private static SpringApplication application() {
        return new SpringApplication(RovekApplication.class, QuickPasswords.class);
    }
}
