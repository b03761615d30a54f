package keel.app.base.web;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonMappingException;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import keel.app.base.Busy;
import keel.app.base.Conflict;
import keel.app.base.DiskFull;
import keel.app.base.EditedMeanwhile;
import keel.app.base.NotThere;
import keel.app.base.PhotoLimits;
import keel.app.base.Refused;
import keel.core.Finding;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;

/**
 * Says what is wrong to programs: RFC 9457 problem details that name the field. Before it come the modules that know
 * more of what they throw; after it the pages' own.
 */
@RestControllerAdvice(annotations = RestController.class)
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class ApiProblems {

    private static final Pattern DOUBLED = Pattern.compile("Duplicate field '([^']*)'");

    @ExceptionHandler
    ResponseEntity<ProblemDetail> refused(Refused e) {
        return problem(HttpStatus.UNPROCESSABLE_ENTITY, e.getMessage(), e.findings());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> conflict(Conflict e) {
        return problem(HttpStatus.CONFLICT, e.getMessage(), List.of(new Finding(e.field(), e.getMessage())));
    }

    /** What stands there now comes along as {@code recorded}. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> editedMeanwhile(EditedMeanwhile e) {
        ResponseEntity<ProblemDetail> problem =
                problem(HttpStatus.CONFLICT, e.getMessage(), List.of(new Finding("version", e.getMessage())));
        problem.getBody().setProperty("recorded", e.recorded());
        return problem;
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> edited(ObjectOptimisticLockingFailureException e) {
        return problem(
                HttpStatus.CONFLICT,
                "Somebody else changed this at the same moment. Read it again and repeat.",
                List.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> notThere(NotThere e) {
        return problem(HttpStatus.NOT_FOUND, e.getMessage(), List.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> busy(Busy e) {
        return problem(HttpStatus.SERVICE_UNAVAILABLE, e.getMessage(), List.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> full(DiskFull e) {
        return problem(HttpStatus.INSUFFICIENT_STORAGE, e.getMessage(), List.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> forbidden(AccessDeniedException e) {
        return problem(HttpStatus.FORBIDDEN, "This token's role may not do that.", List.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> tooLarge(MaxUploadSizeExceededException e) {
        return problem(
                HttpStatus.PAYLOAD_TOO_LARGE,
                PhotoLimits.TOO_LARGE,
                List.of(new Finding("file", PhotoLimits.TOO_LARGE)));
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unreadable(HttpMessageNotReadableException e) {
        if (e.getCause() instanceof BodyLimit.TooLarge) {
            return problem(HttpStatus.PAYLOAD_TOO_LARGE, BodyLimit.TOO_LARGE, List.of());
        }
        if (e.getCause() instanceof JsonProcessingException json) {
            return unreadable(json);
        }
        return problem(HttpStatus.BAD_REQUEST, "The body is not readable JSON.", List.of());
    }

    private static ResponseEntity<ProblemDetail> unreadable(JsonProcessingException json) {
        Matcher twice = DOUBLED.matcher(json.getOriginalMessage());
        if (twice.lookingAt()) {
            String message = "The field " + twice.group(1) + " stands there twice.";
            return problem(HttpStatus.UNPROCESSABLE_ENTITY, message, List.of(new Finding(twice.group(1), message)));
        }
        if (json instanceof JsonMappingException m && !m.getPath().isEmpty()) {
            String field = m.getPath().stream()
                    .map(p -> p.getFieldName() == null ? "[" + p.getIndex() + "]" : p.getFieldName())
                    .collect(Collectors.joining("."));
            String message = "The value of " + field + " cannot be read.";
            return problem(HttpStatus.BAD_REQUEST, message, List.of(new Finding(field, message)));
        }
        return problem(HttpStatus.BAD_REQUEST, "The body is not readable JSON.", List.of());
    }

    /** A file was asked for and something else came, or a part of it only. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> noFile(MultipartException e) {
        return problem(HttpStatus.UNSUPPORTED_MEDIA_TYPE, "This is sent as multipart/form-data, whole.", List.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unreadable(MethodArgumentTypeMismatchException e) {
        String message = "The value of " + e.getName() + " cannot be read: " + e.getValue() + ".";
        return problem(HttpStatus.BAD_REQUEST, message, List.of(new Finding(e.getName(), message)));
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> other(Exception e) throws Exception {
        if (e instanceof ErrorResponse known) {
            return problem(
                    HttpStatus.valueOf(known.getStatusCode().value()),
                    known.getBody().getDetail(),
                    List.of());
        }
        throw e;
    }

    private static ResponseEntity<ProblemDetail> problem(HttpStatus status, String detail, List<Finding> findings) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setProperty(
                "errors",
                findings.stream()
                        .map(f -> Map.of("field", f.field(), "message", f.message()))
                        .toList());
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem);
    }
}
