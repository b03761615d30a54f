package keel.app.base.web;

import jakarta.servlet.http.HttpServletResponse;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.PhotoLimits;
import keel.app.base.Refused;
import org.springframework.http.HttpStatus;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;

/** Says what is wrong to people, where the page could not say it beside the field. */
@ControllerAdvice(annotations = Controller.class)
class PageProblems {

    @ExceptionHandler({NotThere.class, MethodArgumentTypeMismatchException.class})
    String notThere(Exception e, Model model, HttpServletResponse response) {
        String words = e instanceof NotThere ? e.getMessage() : "There is no such page.";
        return page(model, response, HttpStatus.NOT_FOUND, "Not here", words);
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

    private static String page(
            Model model, HttpServletResponse response, HttpStatus status, String title, String words) {
        response.setStatus(status.value());
        model.addAttribute("title", title);
        model.addAttribute("words", words);
        return "base/problem";
    }
}
