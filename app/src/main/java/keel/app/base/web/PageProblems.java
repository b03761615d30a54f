package keel.app.base.web;

import jakarta.servlet.http.HttpServletResponse;
import keel.app.base.Busy;
import keel.app.base.Conflict;
import keel.app.base.DiskFull;
import keel.app.base.NotThere;
import keel.app.base.PhotoLimits;
import keel.app.base.Refused;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;

/**
 * Says what is wrong to people, where the page could not say it beside the field. Before the framework, which would
 * answer a wrong address with a problem for programs.
 */
@ControllerAdvice(annotations = Controller.class)
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
class PageProblems {

    @ExceptionHandler
    String notThere(NotThere e, Model model, HttpServletResponse response) {
        return page(model, response, HttpStatus.NOT_FOUND, "Not here", e.getMessage());
    }

    /** A name in an address that cannot be one; or a field that no page of ours sends like that. */
    @ExceptionHandler
    String unreadable(MethodArgumentTypeMismatchException e, Model model, HttpServletResponse response) {
        return e.getParameter().hasParameterAnnotation(PathVariable.class)
                ? page(model, response, HttpStatus.NOT_FOUND, "Not here", "There is no such page.")
                : page(
                        model,
                        response,
                        HttpStatus.BAD_REQUEST,
                        "Not understood",
                        "\"" + e.getValue() + "\" cannot be read. Go back and choose again; nothing was written.");
    }

    @ExceptionHandler
    String refused(Refused e, Model model, HttpServletResponse response) {
        return page(model, response, HttpStatus.UNPROCESSABLE_ENTITY, "That cannot be right", e.getMessage());
    }

    @ExceptionHandler
    String conflict(Conflict e, Model model, HttpServletResponse response) {
        return page(model, response, HttpStatus.CONFLICT, "That does not fit the records", e.getMessage());
    }

    @ExceptionHandler
    String edited(ObjectOptimisticLockingFailureException e, Model model, HttpServletResponse response) {
        return page(
                model,
                response,
                HttpStatus.CONFLICT,
                "Somebody was quicker",
                "Somebody else changed this at the same moment. Go back, look at it again and repeat; nothing was "
                        + "written.");
    }

    @ExceptionHandler
    String busy(Busy e, Model model, HttpServletResponse response) {
        return page(model, response, HttpStatus.SERVICE_UNAVAILABLE, "One moment", e.getMessage());
    }

    @ExceptionHandler
    String full(DiskFull e, Model model, HttpServletResponse response) {
        return page(model, response, HttpStatus.INSUFFICIENT_STORAGE, "No room to write", e.getMessage());
    }

    @ExceptionHandler
    String forbidden(AccessDeniedException e, Model model, HttpServletResponse response) {
        return page(
                model,
                response,
                HttpStatus.FORBIDDEN,
                "Not for this sign-in",
                "Your role may not do that. Ask a keeper or the owner.");
    }

    @ExceptionHandler
    String tooLarge(MaxUploadSizeExceededException e, Model model, HttpServletResponse response) {
        return page(model, response, HttpStatus.PAYLOAD_TOO_LARGE, "File too large", PhotoLimits.TOO_LARGE);
    }

    @ExceptionHandler
    String noFile(MultipartException e, Model model, HttpServletResponse response) {
        return page(
                model,
                response,
                HttpStatus.BAD_REQUEST,
                "The file did not come whole",
                "Go back and send it again; nothing was written.");
    }

    private static String page(
            Model model, HttpServletResponse response, HttpStatus status, String title, String words) {
        response.setStatus(status.value());
        model.addAttribute("title", title);
        model.addAttribute("words", words);
        return "base/problem";
    }
}
