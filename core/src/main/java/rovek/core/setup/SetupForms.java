package rovek.core.setup;

import java.util.List;
import java.util.Optional;

/** All kinds of set-up. */
public final class SetupForms {

    private static final List<SetupForm> ALL = List.of(new LoggerSetup(), new RegisterSetup());

    private SetupForms() {}

    public static List<SetupForm> list() {
        return ALL;
    }

    public static Optional<SetupForm> find(String id) {
        return ALL.stream().filter(form -> form.id().equals(id)).findFirst();
    }
}
