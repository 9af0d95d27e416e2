package app.denfold.server.problems;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;

/** Answers refusals and bad requests as RFC 9457 problems; {@code problems} lists fields by their path. */
@RestControllerAdvice
class ProblemAnswers extends ResponseEntityExceptionHandler {

    /** One thing wrong with one field. */
    record FieldProblem(String field, String message) {}

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
                .body(problem(
                        HttpStatus.CONFLICT,
                        "changed-meanwhile",
                        "Somebody else changed this meanwhile. Nothing was saved; look at it again.",
                        List.of()));
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException invalid, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<FieldProblem> fields = invalid.getBindingResult().getFieldErrors().stream()
                .map(e -> new FieldProblem(e.getField(), String.valueOf(e.getDefaultMessage())))
                .toList();
        String words = fields.stream().map(f -> f.field + " " + f.message).collect(Collectors.joining("; "));
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
            String words = "This value cannot be read. Dates are written 2026-11-25 and must exist.";
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

    private static ResponseEntity<Object> answer(ProblemDetail problem) {
        return ResponseEntity.status(problem.getStatus()).body(problem);
    }

    private static ProblemDetail problem(HttpStatus status, String code, String words, List<FieldProblem> fields) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, words);
        problem.setProperties(new java.util.LinkedHashMap<>(Map.of("code", code, "problems", fields)));
        return problem;
    }
}
