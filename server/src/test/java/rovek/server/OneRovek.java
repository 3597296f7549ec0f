package rovek.server;

import java.lang.reflect.Parameter;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/** Starts the application once for a test class and hands it to constructors and tests that ask for it. */
public final class OneRovek implements ParameterResolver {

    private static final ExtensionContext.Namespace NAMESPACE = ExtensionContext.Namespace.create(OneRovek.class);

    private record Held(RunningRovek rovek) implements ExtensionContext.Store.CloseableResource {
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
        return ofClass(context)
                .getStore(NAMESPACE)
                .getOrComputeIfAbsent(context.getRequiredTestClass(), type -> new Held(RunningRovek.start()), Held.class)
                .rovek();
    }

    /** What is kept there is closed when the class is through. */
    private static ExtensionContext ofClass(ExtensionContext context) {
        ExtensionContext at = context;
        while (at.getTestMethod().isPresent()) {
            at = at.getParent().orElseThrow();
        }
        return at;
    }
}
