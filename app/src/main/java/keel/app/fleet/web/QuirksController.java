package keel.app.fleet.web;

import jakarta.servlet.http.HttpServletResponse;
import keel.app.base.PageErrors;
import keel.app.fleet.Fleet;
import keel.app.fleet.Quirk;
import keel.app.fleet.Quirks;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page of quirks and of test pieces printed on two machines. */
@Controller
class QuirksController {

    private final Quirks quirks;
    private final Fleet fleet;

    QuirksController(Quirks quirks, Fleet fleet) {
        this.quirks = quirks;
        this.fleet = fleet;
    }

    /** A quirk as it stands in the form. */
    record QuirkForm(String scope, String holder, String code, String text, String workaround) {}

    /** A comparison as it stands in the form. */
    record CompareForm(
            String piece, String first, String firstShows, String second, String secondShows, Boolean differs) {}

    private static final CompareForm NOTHING_YET =
            new CompareForm("Piece with faces to both axes", null, "", null, "", true);

    @GetMapping("/quirks")
    String all(@RequestParam(required = false) String machine, Model model) {
        return show(new QuirkForm("MACHINE", machine, "", "", ""), NOTHING_YET, model);
    }

    @PostMapping("/quirks")
    String add(QuirkForm form, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> quirks.add(form.scope(), form.holder(), form.code(), form.text(), form.workaround()),
                "/quirks",
                model,
                response,
                () -> show(form, NOTHING_YET, model));
    }

    @PostMapping("/quirks/{id}/retire")
    String retire(@PathVariable long id, @RequestParam(required = false) String why) {
        quirks.retire(id, why);
        return "redirect:/quirks";
    }

    @PostMapping("/quirks/comparisons")
    String compare(CompareForm form, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> quirks.compare(
                        form.piece(),
                        form.first(),
                        form.firstShows(),
                        form.second(),
                        form.secondShows(),
                        Boolean.TRUE.equals(form.differs())),
                "/quirks",
                model,
                response,
                () -> show(new QuirkForm("MACHINE", null, "", "", ""), form, model));
    }

    @PostMapping("/quirks/controllers")
    String controller(
            @RequestParam(required = false) String machine,
            @RequestParam(required = false) String controller,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> quirks.controller(machine, controller), "/quirks", model, response, () -> all(null, model));
    }

    private String show(QuirkForm form, CompareForm compare, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("compare", compare);
        model.addAttribute("quirks", quirks.all());
        model.addAttribute("comparisons", quirks.comparisons());
        model.addAttribute("controllers", quirks.controllers());
        model.addAttribute("scopes", Quirk.Scope.values());
        model.addAttribute("codes", Quirks.CODES);
        model.addAttribute(
                "machines", fleet.machines().stream().filter(m -> !m.retired()).toList());
        return "fleet/quirks";
    }
}
