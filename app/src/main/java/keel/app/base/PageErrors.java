package keel.app.base;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import keel.core.Finding;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;

/** Puts what is wrong into a page that is shown again with what was typed: all of it on top, each part at its field. */
public final class PageErrors {

    private PageErrors() {}

    /** Does something and goes on to a page, or shows the form again with what was wrong. */
    public static String tried(
            Runnable action, String then, Model model, HttpServletResponse response, Supplier<String> again) {
        try {
            action.run();
            return "redirect:" + then;
        } catch (Refused | Conflict | EditedMeanwhile e) {
            show(e, model, response);
            return again.get();
        } catch (OptimisticLockingFailureException e) {
            show(
                    new Conflict("Somebody else changed this at the same moment. Look at what stands now."),
                    model,
                    response);
            return again.get();
        }
    }

    /**
     * Adds {@code errors} (a list of findings) and {@code wrong} (field to sentence) and sets the status; where
     * somebody else changed it, {@code meanwhile} is how it stands now.
     */
    public static void show(RuntimeException e, Model model, HttpServletResponse response) {
        List<Finding> findings;
        if (e instanceof Refused refused) {
            findings = refused.findings();
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        } else if (e instanceof Conflict conflict) {
            findings = List.of(new Finding(conflict.field(), conflict.getMessage()));
            response.setStatus(HttpStatus.CONFLICT.value());
        } else if (e instanceof EditedMeanwhile edited) {
            findings = List.of(new Finding("", edited.getMessage()));
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("meanwhile", edited.recorded());
        } else {
            throw e;
        }
        model.addAttribute("errors", findings);
        model.addAttribute(
                "wrong",
                findings.stream().collect(Collectors.toMap(Finding::field, Finding::message, (a, b) -> a + " " + b)));
    }
}
