package rovek.server.web;

import jakarta.annotation.Nullable;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;
import rovek.server.problem.DomainProblem;
import rovek.server.problem.DomainProblem.Fault;

/** A request that leaves out what is needed is told so, field by field, before anything is done with it. */
@RestControllerAdvice
class WholeBodies extends RequestBodyAdviceAdapter {

    @Override
    public boolean supports(MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public Object afterBodyRead(
            Object body, HttpInputMessage message, MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
        List<Fault> faults = new ArrayList<>();
        check("", body, faults);
        if (!faults.isEmpty()) {
            throw new DomainProblem.Invalid(faults);
        }
        return body;
    }

    private static void check(String path, Object value, List<Fault> faults) {
        if (value instanceof List<?> list) {
            for (int i = 0; i < list.size(); i++) {
                checkPresent(path + "[" + i + "]", list.get(i), faults);
            }
        } else if (value instanceof Record fields && value.getClass().getPackageName().startsWith("rovek.")) {
            for (RecordComponent component : value.getClass().getRecordComponents()) {
                Object field = read(component, fields);
                String name = path.isEmpty() ? component.getName() : path + "." + component.getName();
                if (field != null || !component.isAnnotationPresent(Nullable.class)) {
                    checkPresent(name, field, faults);
                }
            }
        }
    }

    private static void checkPresent(String path, Object value, List<Fault> faults) {
        if (value == null) {
            faults.add(new Fault(path, "\"%s\" is missing.".formatted(path)));
        } else {
            check(path, value, faults);
        }
    }

    private static Object read(RecordComponent component, Record record) {
        try {
            component.getAccessor().setAccessible(true);
            return component.getAccessor().invoke(record);
        } catch (IllegalAccessException | InvocationTargetException e) {
            throw new IllegalStateException(e);
        }
    }
}
