package rovek.server.base.problem;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.Wording;

/** Every error in one shape, {@code application/problem+json} (RFC 9457), with a sentence. */
@RestControllerAdvice
class ProblemAnswers {

    private static final Logger LOG = LoggerFactory.getLogger(ProblemAnswers.class);

    @ExceptionHandler(DomainProblem.class)
    ProblemDetail domain(DomainProblem problem) {
        HttpStatus status = status(problem);
        ProblemDetail detail = answer(status, problem.code(), problem.sentence());
        if (problem instanceof DomainProblem.Invalid invalid) {
            List<Map<String, String>> faults = invalid.faults().stream()
                    .map(fault -> Map.of("field", fault.field(), "reason", worded(fault.sentence())))
                    .toList();
            detail.setProperties(Map.of("code", problem.code(), "faults", faults));
        }
        if (problem instanceof DomainProblem.Contradiction contradiction) {
            detail.setProperties(Map.of("code", problem.code(), "clashes", contradiction.clashes()));
        }
        return detail;
    }

    private static HttpStatus status(DomainProblem problem) {
        if (problem instanceof DomainProblem.NotFound) {
            return HttpStatus.NOT_FOUND;
        }
        if (problem instanceof DomainProblem.Invalid) {
            return HttpStatus.UNPROCESSABLE_CONTENT;
        }
        if (problem instanceof DomainProblem.TooManyTries) {
            return HttpStatus.TOO_MANY_REQUESTS;
        }
        if (problem instanceof DomainProblem.Busy) {
            return HttpStatus.SERVICE_UNAVAILABLE;
        }
        if (problem instanceof DomainProblem.NotSignedIn) {
            return HttpStatus.UNAUTHORIZED;
        }
        return HttpStatus.CONFLICT;
    }

    @ExceptionHandler(ObjectOptimisticLockingFailureException.class)
    ProblemDetail stale() {
        return domain(new DomainProblem.Stale(Sentence.of("thing.this")));
    }

    @ExceptionHandler({
        HttpMessageNotReadableException.class,
        MethodArgumentTypeMismatchException.class,
        MissingServletRequestPartException.class
    })
    ProblemDetail unreadable(Exception fault) {
        for (Throwable cause = fault; cause != null; cause = cause.getCause()) {
            if (cause instanceof DomainProblem problem) {
                return domain(problem);
            }
            if (cause instanceof TooLarge large) {
                return tooLarge(large.sentence());
            }
        }
        return answer(HttpStatus.BAD_REQUEST, "unreadable", Sentence.of("base.unreadable"));
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    ProblemDetail fileTooLarge() {
        return tooLarge(Sentence.of("base.fileTooLarge"));
    }

    private static ProblemDetail tooLarge(Sentence sentence) {
        return answer(HttpStatus.CONTENT_TOO_LARGE, "too-large", sentence);
    }

    @ExceptionHandler(NoResourceFoundException.class)
    ProblemDetail nothingHere() {
        return answer(HttpStatus.NOT_FOUND, "not-found", Sentence.of("base.nothingHere"));
    }

    /** Whoever watched a stream has left: nobody is there to be answered, and nothing failed. */
    @ExceptionHandler(AsyncRequestNotUsableException.class)
    void gone() {
        // there is nothing left to say
    }

    @ExceptionHandler(Exception.class)
    ProblemDetail fault(Exception fault) throws Exception {
        if (fault instanceof AccessDeniedException) {
            throw fault;
        }
        if (fault instanceof ErrorResponse refused && refused.getStatusCode().is4xxClientError()) {
            return answer(
                    HttpStatus.valueOf(refused.getStatusCode().value()), "unreadable", Sentence.of("base.unreadable"));
        }
        Optional<StorageTrouble> trouble = StorageTrouble.of(fault);
        if (trouble.isPresent()) {
            LOG.warn("A request could not be stored: {}", fault.getMessage());
            return answer(
                    trouble.get().status(), trouble.get().code(), trouble.get().sentence());
        }
        LOG.error("A request failed.", fault);
        return answer(HttpStatus.INTERNAL_SERVER_ERROR, "fault", Sentence.of("base.fault"));
    }

    private static String worded(Sentence sentence) {
        return Wording.said(sentence);
    }

    private static ProblemDetail answer(HttpStatus status, String code, Sentence sentence) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(status, worded(sentence));
        detail.setProperty("code", code);
        return detail;
    }
}
