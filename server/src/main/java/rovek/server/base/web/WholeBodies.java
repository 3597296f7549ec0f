package rovek.server.base.web;

import jakarta.annotation.Nullable;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;
import rovek.core.entry.PlainText;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.problem.DomainProblem.Fault;

/**
 * A request that leaves out what is needed, or brings a text that cannot be kept, is told so field by field, before
 * anything is done with it.
 */
@RestControllerAdvice
class WholeBodies extends RequestBodyAdviceAdapter {

    private static final int LONGEST_TEXT = 10_000;
    private static final int MOST_ITEMS = 200_000;
    private static final int MOST_FAULTS = 50;

    @Override
    public boolean supports(MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public Object afterBodyRead(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type type,
            Class<? extends HttpMessageConverter<?>> converter) {
        List<Fault> faults = new ArrayList<>();
        check("", body, faults);
        if (!faults.isEmpty()) {
            throw new DomainProblem.Invalid(faults);
        }
        return body;
    }

    private static void check(String path, Object value, List<Fault> faults) {
        if (faults.size() >= MOST_FAULTS) {
            return;
        }
        if (value instanceof String text) {
            textFault(path, text, LONGEST_TEXT).ifPresent(faults::add);
        } else if (value instanceof Collection<?> items) {
            checkCount(path, items.size(), faults);
            int i = 0;
            for (Object item : items) {
                checkPresent(path + "[" + i + "]", item, faults);
                i++;
            }
        } else if (value instanceof Map<?, ?> entries) {
            checkCount(path, entries.size(), faults);
            entries.forEach((key, item) -> {
                check(path, key, faults);
                check(path + "." + key, item, faults);
            });
        } else if (value instanceof Record fields
                && value.getClass().getPackageName().startsWith("rovek.")) {
            for (RecordComponent component : value.getClass().getRecordComponents()) {
                Object field = read(component, fields);
                String name = path.isEmpty() ? component.getName() : path + "." + component.getName();
                if (field instanceof String text && component.isAnnotationPresent(LongText.class)) {
                    textFault(name, text, Integer.MAX_VALUE).ifPresent(faults::add);
                } else if (field != null || !component.isAnnotationPresent(Nullable.class)) {
                    checkPresent(name, field, faults);
                }
            }
        }
    }

    private static void checkCount(String path, int count, List<Fault> faults) {
        if (count > MOST_ITEMS) {
            faults.add(new Fault(path, Sentence.of("base.tooManyItems", "path", path, "most", MOST_ITEMS)));
        }
    }

    /** What keeps a text from being stored, shown and printed. */
    private static Optional<Fault> textFault(String path, String text, int longest) {
        if (text.length() > longest) {
            return Optional.of(new Fault(path, Sentence.of("base.textTooLong", "most", longest)));
        }
        OptionalInt stranger = PlainText.firstStranger(text);
        return stranger.isEmpty()
                ? Optional.empty()
                : Optional.of(new Fault(path, strangerSentence(stranger.getAsInt())));
    }

    static Sentence strangerSentence(int code) {
        return Sentence.of("base.controlCharacter", "code", "U+%04X".formatted(code));
    }

    private static void checkPresent(String path, Object value, List<Fault> faults) {
        if (value == null) {
            faults.add(new Fault(path, Sentence.of("base.missing", "path", path)));
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
