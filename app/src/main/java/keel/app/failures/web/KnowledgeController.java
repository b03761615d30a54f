package keel.app.failures.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.failures.ClosedFailures;
import keel.app.failures.TunedKnowledge;
import keel.app.failures.TuningEffect;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.diagnosis.Links;
import keel.core.diagnosis.Odds;
import keel.core.diagnosis.Stakes;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Tuning;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * The pages on which the owner tunes the knowledge of failures: the effect on the closed ones is shown before anything
 * is saved.
 */
@Controller
class KnowledgeController {

    private static final double SAME = 1e-9;

    private final TunedKnowledge tuned;
    private final TuningEffect effect;
    private final Knowledge shipped;
    private final Odds odds;
    private final ClosedFailures closed;

    KnowledgeController(
            TunedKnowledge tuned, TuningEffect effect, Knowledge shipped, Odds odds, ClosedFailures closed) {
        this.tuned = tuned;
        this.effect = effect;
        this.shipped = shipped;
        this.odds = odds;
        this.closed = closed;
    }

    @GetMapping("/knowledge")
    String all(Model model) {
        model.addAttribute("now", tuned.now());
        model.addAttribute("shipped", shipped);
        model.addAttribute("tuning", tuned.tuning());
        model.addAttribute("changes", tuned.changes());
        model.addAttribute("closed", closed.counts());
        return "failures/knowledge";
    }

    @GetMapping("/knowledge/causes/{code}")
    String cause(@PathVariable String code, Model model) {
        return show(
                code,
                typed(tuned.now().cause(code).orElseThrow(() -> new NotThere("There is no cause " + code + "."))),
                "",
                model);
    }

    /** Tries the figures that were typed, or with {@code save} puts them in force. */
    @PostMapping("/knowledge/causes/{code}")
    String tune(
            @PathVariable String code,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        Actor.require(Role.OWNER);
        if (shipped.cause(code).isEmpty()) {
            throw new NotThere("There is no cause " + code + ".");
        }
        try {
            Tuning tuning = read(code, form);
            if (form.containsKey("save")) {
                tuned.change(tuning, form.get("why"), after(form));
                return "redirect:/knowledge";
            }
            model.addAttribute("effect", effect.of(tuning));
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
        }
        return show(code, form, form.get("why"), model);
    }

    /** Back to the figures that ship. */
    @PostMapping("/knowledge/shipped")
    String shipped() {
        tuned.change(Tuning.NONE, "Back to the figures that ship.", tuned.latest());
        return "redirect:/knowledge";
    }

    private Tuning read(String code, Map<String, String> form) {
        Findings findings = new Findings();
        Tuning now = tuned.tuning();
        Map<String, Double> weights = new HashMap<>(now.weights());
        Map<String, Map<String, Integer>> shows = new HashMap<>(now.shows());
        Map<String, Double> minutes = new HashMap<>(now.minutes());
        Map<String, Double> misses = new HashMap<>(now.misses());
        put(
                weights,
                code,
                Typed.number(form.get("weight"), "weight", findings),
                shipped.cause(code).map(Cause::weight).orElse(0.0));
        shows.put(code, strengths(code, form, findings));
        for (Check check : shipped.checks()) {
            if (form.containsKey("minutes." + check.code())) {
                put(
                        minutes,
                        check.code(),
                        Typed.number(form.get("minutes." + check.code()), "minutes." + check.code(), findings),
                        check.minutes());
                Double percent = Typed.number(form.get("misses." + check.code()), "misses." + check.code(), findings);
                put(misses, check.code(), percent == null ? null : percent / 100, check.misses());
            }
        }
        Map<String, Double> mends = new HashMap<>(now.mends());
        put(mends, code, Typed.number(form.get("mends"), "mends", findings), Stakes.minutesToMend(code));
        Map<String, Map<String, Double>> leads = new HashMap<>(now.leads());
        leads.put(code, leads(code, form, findings));
        Refused.unless(findings);
        Tuning tuning = new Tuning(weights, shows, minutes, misses, leads, mends);
        tuning.check(shipped, findings);
        odds.check(tuning, shipped, findings);
        Refused.unless(findings);
        return tuning;
    }

    private Map<String, Integer> strengths(String code, Map<String, String> form, Findings findings) {
        Map<String, Integer> strengths = new HashMap<>();
        shipped.symptoms().forEach(s -> {
            Integer strength = Typed.whole(form.getOrDefault("shows." + s.code(), "0"), "shows." + s.code(), findings);
            int asShipped = shipped.cause(code).map(c -> c.strength(s.code())).orElse(0);
            if (strength != null && strength != asShipped) {
                strengths.put(s.code(), strength);
            }
        });
        return strengths;
    }

    /** What a cause brings about as it was typed, in percent, where it is other than what ships. */
    private Map<String, Double> leads(String code, Map<String, String> form, Findings findings) {
        Map<String, Double> leads = new HashMap<>();
        form.forEach((name, text) -> {
            if (name.startsWith("leads.")) {
                String to = name.substring("leads.".length());
                Double percent = Typed.number(text, name, findings);
                put(leads, to, percent == null ? 0 : percent / 100, chance(odds, code, to));
            }
        });
        String to = form.getOrDefault("leadsTo", "");
        Double chance = Typed.number(form.get("leadsChance"), "leadsChance", findings);
        if (!to.isBlank() && chance != null) {
            put(leads, to, chance / 100, chance(odds, code, to));
        }
        return leads;
    }

    private static double chance(Odds odds, String from, String to) {
        return odds.links().leads().stream()
                .filter(l -> l.from().equals(from) && l.to().equals(to))
                .mapToDouble(Links.Lead::chance)
                .findFirst()
                .orElse(0);
    }

    /** Keeps a figure where it is another than what ships, so that a later edition's better figure is not held back. */
    private static void put(Map<String, Double> figures, String code, Double figure, double ships) {
        figures.remove(code);
        if (figure != null && Math.abs(figure - ships) > SAME) {
            figures.put(code, figure);
        }
    }

    private static long after(Map<String, String> form) {
        Findings findings = new Findings();
        Integer after = Typed.whole(form.get("after"), "after", findings);
        Refused.unless(findings);
        return after == null ? 0 : after;
    }

    private Map<String, String> typed(Cause cause) {
        Map<String, String> form = new LinkedHashMap<>();
        form.put("weight", plain(cause.weight()));
        cause.shows().forEach((symptom, strength) -> form.put("shows." + symptom, Integer.toString(strength)));
        Tuning tuning = tuned.tuning();
        form.put("mends", plain(tuning.mends().getOrDefault(cause.code(), Stakes.minutesToMend(cause.code()))));
        odds.tuned(tuning).links().leads().stream()
                .filter(l -> l.from().equals(cause.code()))
                .forEach(l -> form.put("leads." + l.to(), plain(Math.round(1000 * l.chance()) / 10.0)));
        tuned.now().checks().stream()
                .filter(c -> c.separates().contains(cause.code()))
                .forEach(c -> {
                    form.put("minutes." + c.code(), plain(c.minutes()));
                    form.put("misses." + c.code(), plain(Math.round(1000 * c.misses()) / 10.0));
                });
        return form;
    }

    private static String plain(double number) {
        return number == Math.rint(number) ? Long.toString((long) number) : Double.toString(number);
    }

    private String show(String code, Map<String, String> form, String why, Model model) {
        Knowledge now = tuned.now();
        model.addAttribute("cause", now.cause(code).orElseThrow());
        model.addAttribute("was", shipped.cause(code).orElseThrow());
        model.addAttribute(
                "checks",
                now.checks().stream().filter(c -> c.separates().contains(code)).toList());
        model.addAttribute("symptoms", shipped.symptoms());
        model.addAttribute("minutesToMend", Stakes.minutesToMend(code));
        model.addAttribute("causes", shipped.causes());
        model.addAttribute(
                "leads",
                form.keySet().stream()
                        .filter(k -> k.startsWith("leads."))
                        .flatMap(k -> shipped.cause(k.substring("leads.".length())).stream())
                        .toList());
        model.addAttribute("form", form);
        model.addAttribute("why", why);
        model.addAttribute("after", tuned.latest());
        model.addAttribute("owner", Actor.current().role().atLeast(Role.OWNER));
        return "failures/tune";
    }
}
