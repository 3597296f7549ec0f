package rovek.server;

import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.StoreScope;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/**
 * Hands out one application for all the test classes of a run that find their own by its id, tag or serial number, whatever else
 * is stored beside it. A class that looks at whole lists has its own, by {@link OneRovek}.
 */
public final class SharedRovek implements ParameterResolver {

    private static final ExtensionContext.Namespace NAMESPACE = ExtensionContext.Namespace.create(SharedRovek.class);

    private record Held(RunningRovek rovek) implements ExtensionContext.Store.CloseableResource, AutoCloseable {
        @Override
        public void close() {
            rovek.close();
        }
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == RunningRovek.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return context.getStore(StoreScope.LAUNCHER_SESSION, NAMESPACE)
                .getOrComputeIfAbsent(RunningRovek.class, type -> new Held(RunningRovek.start()), Held.class)
                .rovek();
    }
}
