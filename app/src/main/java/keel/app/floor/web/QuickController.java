package keel.app.floor.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.fleet.ShopTime;
import keel.app.floor.QuickLines;
import keel.app.floor.Understood;
import keel.app.prints.HoldsOpen;
import keel.core.Findings;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * The quick line of every page: the reading while it is typed, the writing, and taking it back. Works as a page of its
 * own too.
 */
@Controller
class QuickController {

    private final QuickLines lines;
    private final ShopTime times;

    QuickController(QuickLines lines, ShopTime times) {
        this.lines = lines;
        this.times = times;
    }

    @GetMapping("/quick")
    String read(
            @RequestParam(defaultValue = "") String line,
            @RequestHeader(name = "HX-Request", defaultValue = "false") boolean part,
            Model model) {
        model.addAttribute("line", line);
        model.addAttribute("read", lines.read(line));
        return view(part);
    }

    @PostMapping("/quick")
    String commit(
            @RequestParam String line,
            @RequestHeader(name = "HX-Request", defaultValue = "false") boolean part,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("line", line);
        try {
            Findings findings = new Findings();
            Instant entered = times.readOrEntered(null, "line", findings);
            Refused.unless(findings);
            Understood done = lines.commit(line, entered);
            if (done.path() != null && !done.committed()) {
                return to(done.path(), part, response);
            }
            model.addAttribute("read", done);
            if (done.committed()) {
                response.setHeader("HX-Trigger", "quick-done");
            }
        } catch (HoldsOpen e) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("refused", e.getMessage());
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            model.addAttribute("refused", e.getMessage());
        }
        return view(part);
    }

    @PostMapping("/quick/{id}/undo")
    String undo(
            @PathVariable long id,
            @RequestHeader(name = "HX-Request", defaultValue = "false") boolean part,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("line", "");
        try {
            model.addAttribute("undone", lines.undo(id));
            response.setHeader("HX-Trigger", "quick-done");
        } catch (Refused | Conflict e) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("refused", e.getMessage());
        }
        return view(part);
    }

    private static String to(String path, boolean part, HttpServletResponse response) {
        if (part) {
            response.setHeader("HX-Redirect", path);
            return "floor/line :: answer";
        }
        return "redirect:" + path;
    }

    private static String view(boolean part) {
        return part ? "floor/line :: answer" : "floor/quick";
    }
}
