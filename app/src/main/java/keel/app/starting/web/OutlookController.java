package keel.app.starting.web;

import java.util.List;
import keel.app.standing.Standings;
import keel.app.starting.Gates;
import keel.app.starting.Outlooks;
import keel.core.run.Detail;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** What is to be expected of a machine's parts in a job, and what is best done with them. */
@Controller
class OutlookController {

    private final Outlooks outlooks;
    private final Standings standings;

    OutlookController(Outlooks outlooks, Standings standings) {
        this.outlooks = outlooks;
        this.standings = standings;
    }

    /** What is typed that is no number is taken as not said. */
    @GetMapping("/machines/{code}/outlook")
    String outlook(
            @PathVariable String code,
            @RequestParam(required = false) String hours,
            @RequestParam(required = false) String layers,
            @RequestParam(required = false) String detail,
            Model model) {
        Detail needs = Detail.named(detail).orElse(Detail.USUAL);
        Outlooks.Job job = new Outlooks.Job(Gates.amount(hours), Gates.layers(layers), needs, List.of());
        model.addAttribute("m", standings.of(code));
        model.addAttribute("outlook", outlooks.of(code, job));
        model.addAttribute("job", job);
        model.addAttribute("details", Detail.values());
        return "starting/outlook";
    }
}
