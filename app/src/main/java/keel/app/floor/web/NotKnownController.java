package keel.app.floor.web;

import jakarta.servlet.http.HttpServletResponse;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineEntry;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.Findings;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** What nobody said of a machine yet: each is either said, or done or looked at now. */
@Controller
class NotKnownController {

    private final Standings standings;
    private final Fleet fleet;

    NotKnownController(Standings standings, Fleet fleet) {
        this.standings = standings;
        this.fleet = fleet;
    }

    /** As it is typed; what is left empty stays as it is. */
    record BeforeForm(
            String lubricatedH,
            String abradedH,
            String filmHours,
            String screenUvHours,
            String lightHours,
            Boolean vatEmpty) {

        static final BeforeForm EMPTY = new BeforeForm("", "", "", "", "", false);

        /** What stands in a field, by its name. */
        public String typed(String field) {
            return switch (field) {
                case "lubricatedH" -> lubricatedH;
                case "abradedH" -> abradedH;
                case "filmHours" -> filmHours;
                case "screenUvHours" -> screenUvHours;
                default -> lightHours;
            };
        }

        Fleet.Before read() {
            Findings findings = new Findings();
            Fleet.Before before = new Fleet.Before(
                    new MachineEntry.Before(
                            Typed.number(lubricatedH, "lubricatedH", findings),
                            Typed.number(abradedH, "abradedH", findings),
                            Boolean.TRUE.equals(vatEmpty)),
                    Typed.number(filmHours, "filmHours", findings),
                    Typed.number(screenUvHours, "screenUvHours", findings),
                    Typed.number(lightHours, "lightHours", findings));
            Refused.unless(findings);
            return before;
        }
    }

    @GetMapping("/machines/{code}/not-known")
    String notKnown(@PathVariable String code, Model model) {
        return show(standings.of(code), BeforeForm.EMPTY, model);
    }

    @PostMapping("/machines/{code}/not-known")
    String say(@PathVariable String code, BeforeForm form, Model model, HttpServletResponse response) {
        MachineNow m = standings.of(code);
        return PageErrors.tried(
                () -> fleet.sayBefore(m.code(), form.read()),
                "/machines/" + m.code() + "/not-known",
                model,
                response,
                () -> show(m, form, model));
    }

    private static String show(MachineNow m, BeforeForm form, Model model) {
        model.addAttribute("m", m);
        model.addAttribute("form", form);
        return "floor/not-known";
    }
}
