package keel.app.stores.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.stores.Spares;
import keel.core.Findings;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page of spares. */
@Controller
class SparesController {

    private final Spares spares;

    SparesController(Spares spares) {
        this.spares = spares;
    }

    @GetMapping("/bench/spares")
    String spares(
            @RequestParam(required = false) String leadDays,
            @RequestParam(required = false) String percent,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("leadDays", leadDays == null ? "14" : leadDays);
        model.addAttribute("percent", percent == null ? "95" : percent);
        model.addAttribute("lines", List.of());
        try {
            Findings findings = new Findings();
            double days = Typed.number(leadDays, Spares.LEAD_DAYS, "leadDays", findings);
            double level = Typed.number(percent, Spares.SERVICE_PERCENT, "percent", findings);
            Spares.check(days, level, findings);
            Refused.unless(findings);
            model.addAttribute("lines", spares.lines(days, level / 100));
        } catch (Refused e) {
            PageErrors.show(e, model, response);
        }
        return "stores/spares";
    }
}
