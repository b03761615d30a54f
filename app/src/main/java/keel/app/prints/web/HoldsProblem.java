package keel.app.prints.web;

import java.util.List;
import java.util.Map;
import keel.app.prints.HoldsOpen;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Says to programs which holds forbid a start. */
@RestControllerAdvice(annotations = RestController.class)
@Order(Ordered.HIGHEST_PRECEDENCE)
class HoldsProblem {

    @ExceptionHandler
    ResponseEntity<ProblemDetail> holds(HoldsOpen e) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.CONFLICT, e.getMessage());
        problem.setProperty("errors", List.of(Map.of("field", "machine", "message", e.getMessage())));
        problem.setProperty(
                "holds",
                e.holds().stream()
                        .map(h -> Map.of("code", h.code().code(), "text", h.text()))
                        .toList());
        return ResponseEntity.status(HttpStatus.CONFLICT)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem);
    }
}
