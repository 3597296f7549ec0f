package rovek.server.base.web;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Locale;
import org.apache.catalina.Container;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.ProblemWriter;
import rovek.server.base.wording.LanguageAsked;
import rovek.server.base.wording.Wording;

/** Errors that happen before or beside the application's own answers, in the same shape. */
@Hidden
@RestController
class ErrorAnswers implements ErrorController {

    @RequestMapping("/error")
    ResponseEntity<byte[]> error(HttpServletRequest request) {
        Object told = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        // Whoever asks for this address himself finds nothing at it.
        HttpStatus status = HttpStatus.resolve(told instanceof Integer code ? code : HttpStatus.NOT_FOUND.value());
        return answer(status == null ? HttpStatus.INTERNAL_SERVER_ERROR : status, LanguageAsked.of(request));
    }

    private static ResponseEntity<byte[]> answer(HttpStatus status, Locale locale) {
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(body(status, locale));
    }

    private static byte[] body(HttpStatus status, Locale locale) {
        if (status == HttpStatus.NOT_FOUND) {
            return ProblemWriter.body(status, "not-found", Sentence.of("base.nothingHere"), locale);
        }
        return status.is5xxServerError()
                ? ProblemWriter.body(status, "fault", Sentence.of("base.fault"), locale)
                : ProblemWriter.body(status, "unreadable", Sentence.of("base.unreadable"), locale);
    }

    /** What is no request at all is answered by the web server itself. */
    public static final class Valve extends ErrorReportValve {

        @Override
        protected void report(Request request, Response response, Throwable thrown) {
            HttpStatus status = HttpStatus.resolve(response.getStatus());
            if (status == null
                    || !status.isError()
                    || response.getContentWritten() > 0
                    || !response.setErrorReported()) {
                return;
            }
            try {
                response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
                response.getOutputStream().write(body(status, Wording.USUAL));
                response.finishResponse();
            } catch (IOException | IllegalStateException gone) {
                // whoever asked has hung up
            }
        }
    }

    @Component
    static class ByValve implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {

        @Override
        public void customize(TomcatServletWebServerFactory factory) {
            factory.addContextCustomizers(context -> {
                Container host = context.getParent();
                if (host instanceof StandardHost standard) {
                    standard.setErrorReportValveClass(Valve.class.getName());
                }
            });
        }
    }
}
