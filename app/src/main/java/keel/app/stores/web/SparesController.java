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

    private static final double LEAD_DAYS = 14;
    private static final double SERVICE_PERCENT = 95;

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
            double days = Typed.number(leadDays, LEAD_DAYS, "leadDays", findings);
            double level = Typed.number(percent, SERVICE_PERCENT, "percent", findings);
            findings.range(days, 0.5, 365, "leadDays", "The time until a new one comes", "days");
            findings.range(level, 1, 99.9, "percent", "The chance of not waiting", "%");
            Refused.unless(findings);
            model.addAttribute("lines", spares.lines(days, level / 100));
        } catch (Refused e) {
            PageErrors.show(e, model, response);
        }
        return "stores/spares";
    }
}
