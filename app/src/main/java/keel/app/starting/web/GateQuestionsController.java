package keel.app.starting.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Set;
import keel.app.base.PageErrors;
import keel.app.starting.GateQuestions;
import keel.core.gate.GateItem;
import keel.core.standing.MachineKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page on which a shop adds questions of its own to the start gate. */
@Controller
class GateQuestionsController {

    private final GateQuestions questions;

    GateQuestionsController(GateQuestions questions) {
        this.questions = questions;
    }

    @GetMapping("/setup/gate")
    String all(Model model) {
        return show("", "JOB", Set.of("MASK", "PROJECTOR", "LASER_TANK"), model);
    }

    @PostMapping("/setup/gate")
    String add(
            @RequestParam(required = false) String text,
            @RequestParam(required = false) String part,
            @RequestParam(required = false) Set<String> kinds,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> questions.add(text, part, kinds),
                "/setup/gate",
                model,
                response,
                () -> show(text, part, kinds == null ? Set.of() : kinds, model));
    }

    @PostMapping("/setup/gate/{id}/retire")
    String retire(@PathVariable long id) {
        questions.retire(id);
        return "redirect:/setup/gate";
    }

    private String show(String text, String part, Set<String> kinds, Model model) {
        model.addAttribute("questions", questions.all());
        model.addAttribute("text", text);
        model.addAttribute("part", part);
        model.addAttribute("chosen", kinds);
        model.addAttribute("parts", GateItem.GatePart.values());
        model.addAttribute("kinds", MachineKind.values());
        return "starting/questions";
    }
}
