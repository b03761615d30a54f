package keel.app.floor.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Seen;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.floor.upkeep.Hurts;
import keel.app.floor.upkeep.Marked;
import keel.app.floor.upkeep.RuleScope;
import keel.app.floor.upkeep.UpkeepRules;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Upkeep by the shop's own rules: what is due where, done by a tick; and the rules themselves. */
@Controller
class UpkeepController {

    private static final LocalTime MORNING = LocalTime.of(8, 0);

    private final UpkeepRules rules;
    private final Standings standings;
    private final Fleet fleet;
    private final ShopSettings settings;

    UpkeepController(UpkeepRules rules, Standings standings, Fleet fleet, ShopSettings settings) {
        this.rules = rules;
        this.standings = standings;
        this.fleet = fleet;
        this.settings = settings;
    }

    @GetMapping("/bench/upkeep")
    String all(Model model) {
        List<UpkeepRules.Due> due = rules.due(standings.all());
        model.addAttribute("rules", rules.all());
        model.addAttribute(
                "due",
                due.stream().filter(d -> d.how().due() && d.putOff() == null).toList());
        model.addAttribute(
                "ahead",
                due.stream().filter(d -> !d.how().due() || d.putOff() != null).toList());
        return "floor/upkeep";
    }

    @GetMapping("/bench/upkeep/new")
    String fresh(Model model) {
        return form(RuleForm.EMPTY, null, model);
    }

    private String form(RuleForm typed, UpkeepRules.RuleView rule, Model model) {
        model.addAttribute("f", typed);
        model.addAttribute("rule", rule);
        model.addAttribute(
                "seen", rule == null ? "" : Seen.of(rule.entry().stands()).sum());
        model.addAttribute("scopes", RuleScope.values());
        model.addAttribute("hurts", Hurts.values());
        model.addAttribute("services", ServiceKind.values());
        model.addAttribute("machines", standings.all());
        model.addAttribute("rooms", fleet.roomPlaces());
        return "floor/upkeep-rule";
    }

    @PostMapping("/bench/upkeep/new")
    String add(RuleForm typed, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> rules.add(typed.read()), "/bench/upkeep", model, response, () -> form(typed, null, model));
    }

    /** @param at code of the machine or room that somebody came for */
    @GetMapping("/bench/upkeep/{id}")
    String one(@PathVariable long id, @RequestParam(required = false) String at, Model model) {
        List<MachineNow> machines = standings.all();
        UpkeepRules.RuleView rule = rules.one(id);
        model.addAttribute("rule", rule);
        model.addAttribute(
                "places",
                rules.due(machines).stream().filter(d -> d.rule().id() == id).toList());
        model.addAttribute("at", at == null ? "" : at);
        model.addAttribute("history", rules.history(id));
        return "floor/upkeep-one";
    }

    @GetMapping("/bench/upkeep/{id}/change")
    String change(@PathVariable long id, Model model) {
        UpkeepRules.RuleView rule = rules.one(id);
        return form(RuleForm.of(rule.entry()), rule, model);
    }

    @PostMapping("/bench/upkeep/{id}/change")
    String changed(
            @PathVariable long id,
            RuleForm typed,
            @RequestParam(required = false) String seen,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> rules.change(id, typed.read(), Seen.sent(seen)),
                "/bench/upkeep/" + id,
                model,
                response,
                () -> form(typed, rules.one(id), model));
    }

    @PostMapping("/bench/upkeep/{id}/off")
    String off(@PathVariable long id, @RequestParam boolean off) {
        rules.off(id, off);
        return "redirect:/bench/upkeep/" + id;
    }

    /** @param until a day; for what is put off */
    @PostMapping("/bench/upkeep/{id}/mark")
    String mark(
            @PathVariable long id,
            @RequestParam(required = false) String target,
            @RequestParam String kind,
            @RequestParam(required = false) String until,
            @RequestParam(required = false) String why,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> rules.mark(id, target, marked(kind), morning(until), why),
                "/bench/upkeep/" + id,
                model,
                response,
                () -> one(id, target, model));
    }

    private static Marked marked(String kind) {
        return Arrays.stream(Marked.values())
                .filter(k -> k.name().equals(kind))
                .findFirst()
                .orElse(null);
    }

    private Instant morning(String day) {
        if (day == null || day.isBlank()) {
            return null;
        }
        try {
            return LocalDate.parse(day.strip())
                    .atTime(MORNING)
                    .atZone(settings.zone())
                    .toInstant();
        } catch (DateTimeParseException e) {
            throw new Refused("until", "The day is written like 2026-03-05.");
        }
    }

    @PostMapping("/bench/upkeep/{id}/back")
    String back(@PathVariable long id, @RequestParam long mark) {
        rules.takeBack(mark);
        return "redirect:/bench/upkeep/" + id;
    }
}
