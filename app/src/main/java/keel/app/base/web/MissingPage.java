package keel.app.base.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.NoHandlerFoundException;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** An address that leads nowhere: a page for people, problem details for programs. */
@ControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class MissingPage {

    @ExceptionHandler({NoResourceFoundException.class, NoHandlerFoundException.class})
    Object missing(HttpServletRequest request) {
        if (request.getRequestURI().startsWith("/api/")) {
            ProblemDetail problem =
                    ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, "There is nothing at this address.");
            problem.setProperty("errors", List.of());
            return ResponseEntity.status(HttpStatus.NOT_FOUND)
                    .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                    .body(problem);
        }
        ModelAndView page = new ModelAndView("base/problem", HttpStatus.NOT_FOUND);
        page.addObject("title", "Not here");
        page.addObject("words", "There is no such page.");
        return page;
    }
}
