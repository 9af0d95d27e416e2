package app.denfold.server.problems;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;

/** Answers refusals and bad requests as RFC 9457 problems; {@code problems} lists fields by their path. */
@RestControllerAdvice
class ProblemAnswers extends ResponseEntityExceptionHandler {

    static final String AWAY_WORDS =
            "The database does not answer at the moment. Nothing of this was saved; try again in a moment.";

    private static final String NOTHING_WORDS = "There is nothing at this address.";

    static final String BUSY_WORDS =
            "Somebody else was changing the same just now. Nothing of this was saved; try again.";

    static final String FAILED_WORDS =
            "Something failed on the server, which is not your fault. Nothing of this was saved;"
                    + " try again, and tell whoever looks after the server if it stays so.";

    private static final Logger LOG = LoggerFactory.getLogger(ProblemAnswers.class);

    /** One thing wrong with one field. */
    record FieldProblem(String field, @Nullable String message) {}

    @ExceptionHandler
    ResponseEntity<ProblemDetail> refused(Refusal refusal) {
        List<FieldProblem> fields =
                refusal.field() == null ? List.of() : List.of(new FieldProblem(refusal.field(), refusal.getMessage()));
        ProblemDetail problem = problem(refusal.status(), refusal.code(), refusal.getMessage(), fields);
        refusal.more().forEach(problem::setProperty);
        return ResponseEntity.status(refusal.status()).body(problem);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> notNow(NotNow later) {
        return ResponseEntity.status(later.status())
                .body(problem(later.status(), later.code(), later.getMessage(), List.of()));
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> lostRace(OptimisticLockingFailureException lost) {
        return ResponseEntity.status(HttpStatus.CONFLICT)
                .body(problem(HttpStatus.CONFLICT, Refusal.CHANGED_MEANWHILE, Refusal.changedWords("this"), List.of()));
    }

    /** Two changed the same at once and waited for each other; the database ended one of them, which changed nothing. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> heldByAnother(PessimisticLockingFailureException held) {
        LOG.warn("Two changes waited for each other: {}", held.getMessage());
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                .body(problem(HttpStatus.SERVICE_UNAVAILABLE, "busy", BUSY_WORDS, List.of()));
    }

    /** What nobody foresaw: told in words, with the reason in the log. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> failed(RuntimeException failed) {
        if (DatabaseAway.is(failed)) {
            LOG.warn("The database cannot be asked: {}", failed.getMessage());
            return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                    .body(problem(HttpStatus.SERVICE_UNAVAILABLE, "database-away", AWAY_WORDS, List.of()));
        }
        if (failed instanceof AccessDeniedException || failed instanceof AuthenticationException) {
            throw failed;
        }
        LOG.error("A request failed", failed);
        return ResponseEntity.status(HttpStatus.INTERNAL_SERVER_ERROR)
                .body(problem(HttpStatus.INTERNAL_SERVER_ERROR, "failed", FAILED_WORDS, List.of()));
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException invalid, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<FieldProblem> fields = invalid.getBindingResult().getFieldErrors().stream()
                .map(e -> new FieldProblem(e.getField(), FieldWords.sentence(e.getField(), e.getDefaultMessage())))
                .toList();
        String words = fields.stream().map(FieldProblem::message).collect(Collectors.joining(" "));
        return answer(problem(HttpStatus.UNPROCESSABLE_CONTENT, "invalid", words, fields));
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException unreadable,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        if (unreadable.getCause() instanceof DatabindException bad
                && !bad.getPath().isEmpty()) {
            String field = bad.getPath().stream()
                    .map(JacksonException.Reference::getPropertyName)
                    .map(String::valueOf)
                    .collect(Collectors.joining("."));
            String words = Texts.NUL_WORDS.equals(bad.getOriginalMessage())
                    ? Texts.NUL_WORDS
                    : "This value cannot be read. Dates are written 2026-11-25 and must exist.";
            return answer(problem(
                    HttpStatus.UNPROCESSABLE_CONTENT, "invalid", words, List.of(new FieldProblem(field, words))));
        }
        return answer(problem(HttpStatus.BAD_REQUEST, "unreadable", "The request cannot be read.", List.of()));
    }

    @Override
    protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
            MaxUploadSizeExceededException large, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return answer(problem(
                HttpStatus.CONTENT_TOO_LARGE,
                "too-large",
                "The file is larger than what is taken in. Split it or scan it at a lower resolution.",
                List.of()));
    }

    @Override
    protected ResponseEntity<Object> handleTypeMismatch(
            TypeMismatchException wrong, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        boolean isInAddress = wrong instanceof MethodArgumentTypeMismatchException argument
                && argument.getParameter().hasParameterAnnotation(PathVariable.class);
        if (isInAddress) {
            return answer(problem(HttpStatus.NOT_FOUND, "not-found", NOTHING_WORDS, List.of()));
        }
        String field = String.valueOf(wrong.getPropertyName());
        String words = FieldWords.sentence(field, "cannot be read. Dates are written 2026-11-25 and must exist");
        return answer(problem(HttpStatus.BAD_REQUEST, "unreadable", words, List.of(new FieldProblem(field, words))));
    }

    /** What the framework refuses by itself, in our words; its own name parameters and classes. */
    @Override
    protected @Nullable ResponseEntity<Object> handleExceptionInternal(
            Exception refused, @Nullable Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        HttpStatus known = Objects.requireNonNullElse(HttpStatus.resolve(status.value()), HttpStatus.BAD_REQUEST);
        ProblemDetail problem =
                switch (known) {
                    case NOT_FOUND -> problem(known, "not-found", NOTHING_WORDS, List.of());
                    case METHOD_NOT_ALLOWED ->
                        problem(known, "not-allowed", "This cannot be done at this address.", List.of());
                    case UNSUPPORTED_MEDIA_TYPE, NOT_ACCEPTABLE ->
                        problem(known, "form", "Data of this form is not understood here.", List.of());
                    default ->
                        known.is5xxServerError()
                                ? problem(known, "failed", FAILED_WORDS, List.of())
                                : problem(known, "unreadable", "The request cannot be read.", List.of());
                };
        return ResponseEntity.status(status).headers(headers).body(problem);
    }

    private static ResponseEntity<Object> answer(ProblemDetail problem) {
        return ResponseEntity.status(problem.getStatus()).body(problem);
    }

    private static ProblemDetail problem(
            HttpStatus status, String code, @Nullable String words, List<FieldProblem> fields) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, words);
        problem.setProperties(new java.util.LinkedHashMap<>(Map.of("code", code, "problems", fields)));
        return problem;
    }
}
