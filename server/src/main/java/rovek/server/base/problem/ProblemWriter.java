package rovek.server.base.problem;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.LanguageAsked;
import rovek.server.base.wording.Wording;
import tools.jackson.databind.json.JsonMapper;

/** Writes an error in the one shape of all errors where nothing further in is reached. */
public final class ProblemWriter {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private ProblemWriter() {}

    /** In the language that the request asks for. */
    public static void write(
            HttpServletRequest request, HttpServletResponse response, HttpStatus status, String code, Sentence sentence)
            throws IOException {
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(body(status, code, sentence, LanguageAsked.of(request)));
    }

    /** The same, in UTF-8. */
    public static byte[] body(HttpStatus status, String code, Sentence sentence, Locale locale) {
        Map<String, Object> problem = new LinkedHashMap<>();
        problem.put("title", status.getReasonPhrase());
        problem.put("status", status.value());
        problem.put("detail", Wording.SHIPPED.of(sentence, locale));
        problem.put("code", code);
        return JSON.writeValueAsString(problem).getBytes(StandardCharsets.UTF_8);
    }
}
