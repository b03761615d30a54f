package keel.app.starting.web;

import jakarta.servlet.http.HttpServletResponse;
import keel.app.base.NotThere;
import keel.app.base.PageErrors;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.order.OnPlate;
import keel.app.prints.order.OrderPlates;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The page on which is counted what of an order came out of a print. */
@Controller
class CountPartsController {

    private final Runs runs;
    private final OrderPlates plates;

    CountPartsController(Runs runs, OrderPlates plates) {
        this.runs = runs;
        this.plates = plates;
    }

    @GetMapping("/runs/{id}/parts")
    String ask(@PathVariable long id, Model model) {
        return show(id, new PiecesForm(null, null, null), model);
    }

    private String show(long id, PiecesForm typed, Model model) {
        RunView run = runs.one(id);
        OnPlate plate = plates.ofRun(id)
                .orElseThrow(() -> new NotThere("Nothing on record says that this plate had parts of an order."));
        model.addAttribute("run", run);
        model.addAttribute("plate", plate);
        model.addAttribute("typed", typed);
        return "starting/count-parts";
    }

    @PostMapping("/runs/{id}/parts")
    String count(@PathVariable long id, PiecesForm pieces, Model model, HttpServletResponse response) {
        RunView run = runs.one(id);
        boolean failureOwed =
                !run.open() && run.outcome().wentWrong() && runs.failuresOf(id).isEmpty();
        return PageErrors.tried(
                () -> plates.count(id, pieces.read(null)),
                failureOwed ? "/failures/new?machine=" + run.machine() + "&run=" + id : "/runs/" + id,
                model,
                response,
                () -> show(id, pieces, model));
    }
}
