package rovek.server;

import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.StoreScope;

/**
 * Hands out one application for all the test classes of a run that find their own by its id, tag or serial number,
 * whatever else is stored beside it. A class that looks at whole lists has its own, by {@link OneRovek}.
 */
public final class SharedRovek extends OneRovek {

    @Override
    ExtensionContext.Store store(ExtensionContext context) {
        return context.getStore(StoreScope.LAUNCHER_SESSION, NAMESPACE);
    }

    @Override
    Class<?> key(ExtensionContext context) {
        return SharedRovek.class;
    }
}
