package rovek.server;

import java.lang.reflect.Parameter;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/** Starts the application once for a test class and hands it to constructors and tests that ask for it. */
public class OneRovek implements ParameterResolver {

    static final ExtensionContext.Namespace NAMESPACE = ExtensionContext.Namespace.create(OneRovek.class);

    private record Held(RunningRovek rovek) implements ExtensionContext.Store.CloseableResource, AutoCloseable {
        @Override
        public void close() {
            rovek.close();
        }
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        Parameter wanted = parameter.getParameter();
        return wanted.getType() == RunningRovek.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return store(context)
                .getOrComputeIfAbsent(key(context), key -> new Held(RunningRovek.start()), Held.class)
                .rovek();
    }

    /** Where it is kept: closed when the class is through. */
    ExtensionContext.Store store(ExtensionContext context) {
        ExtensionContext at = context;
        while (at.getTestMethod().isPresent()) {
            at = at.getParent().orElseThrow();
        }
        return at.getStore(NAMESPACE);
    }

    /** Whose it is. */
    Class<?> key(ExtensionContext context) {
        return context.getRequiredTestClass();
    }
}
