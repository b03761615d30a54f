package keel.app.floor.web;

import java.util.Arrays;
import java.util.List;
import keel.app.base.Refused;
import keel.app.floor.round.Needs;
import keel.app.floor.round.Rounds;
import keel.app.floor.round.Said;
import keel.app.people.Actor;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.round.WaitCosts;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The round: what to do now, as the biggest thing on the page, and what comes after it. */
@Controller
class RoundController {

    static final double MOST_MINUTES = 24 * 60;
    static final int MOST_PEOPLE = 3;
    private static final List<Integer> USUAL = List.of(10, 25, 60, 120);

    private final Rounds rounds;
    private final Needs needs;
    private final Standings standings;

    RoundController(Rounds rounds, Needs needs, Standings standings) {
        this.rounds = rounds;
        this.needs = needs;
        this.standings = standings;
    }

    /** @param minutes at hand; {@code people} side by side */
    @GetMapping("/round")
    String round(
            @RequestParam(required = false) Double minutes,
            @RequestParam(required = false) Integer people,
            Model model) {
        fill(minutes, people, model);
        return "floor/round";
    }

    /** The same on paper, for the wall. */
    @GetMapping("/round/sheet")
    String sheet(
            @RequestParam(required = false) Double minutes,
            @RequestParam(required = false) Integer people,
            Model model) {
        fill(minutes, people, model);
        return "floor/round-sheet";
    }

    private void fill(Double minutes, Integer people, Model model) {
        Findings findings = new Findings();
        findings.rangeIfGiven(minutes, 1, MOST_MINUTES, "minutes", "The minutes at hand", "min");
        findings.when(
                people != null && (people < 1 || people > MOST_PEOPLE),
                "people",
                "A round is for one to " + MOST_PEOPLE + " people.");
        Refused.unless(findings);
        List<MachineNow> machines = standings.all();
        Rounds.Shown shown = rounds.of(machines, minutes, people == null ? 1 : people, Rounds.Who.of(Actor.current()));
        model.addAttribute("r", shown);
        model.addAttribute("items", shown.round().items());
        model.addAttribute("needs", needs.of(shown, machines));
        model.addAttribute("walk", WalkDrawing.of(shown.round(), machines));
        model.addAttribute("minutes", minutes);
        model.addAttribute("people", people == null ? 1 : people);
        model.addAttribute("ways", new RoundPaths(minutes, people == null ? 1 : people));
        model.addAttribute("usual", USUAL);
        model.addAttribute("reasons", Said.reasons());
        model.addAttribute("untils", Arrays.asList(Rounds.Until.values()));
        model.addAttribute("weight", weight(shown));
        model.addAttribute("codes", RoundSheet.codes(shown.round()));
    }

    /** What is left of the weight of the next thing, where somebody said that such work can wait. */
    private static double weight(Rounds.Shown shown) {
        return shown.first(1).stream()
                .mapToDouble(l ->
                        WaitCosts.weight(shown.canWait().getOrDefault(l.chore().kind(), 0)))
                .findFirst()
                .orElse(1);
    }

    @PostMapping("/round/mine")
    String mine(@RequestParam String chore) {
        rounds.mine(chore);
        return "redirect:/round";
    }

    @PostMapping("/round/not-now")
    String notNow(
            @RequestParam String chore,
            @RequestParam(required = false) Said reason,
            @RequestParam(required = false) Rounds.Until until) {
        rounds.notNow(chore, reason, until == null ? Rounds.Until.LATER : until);
        return "redirect:/round";
    }

    @PostMapping("/round/back")
    String back(@RequestParam String chore) {
        rounds.takeBack(chore);
        return "redirect:/round";
    }
}
