package keel.app.floor.web;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keel.app.base.Refused;
import keel.app.floor.round.Needs;
import keel.app.floor.round.Rounds;
import keel.app.people.Actor;
import keel.app.people.People;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.round.Chore;
import keel.core.round.Round;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The round for programs. */
@RestController
@RequestMapping("/api/v1/round")
class RoundApi {

    private final Rounds rounds;
    private final Needs needs;
    private final People people;
    private final Standings standings;

    RoundApi(Rounds rounds, Needs needs, People people, Standings standings) {
        this.standings = standings;
        this.rounds = rounds;
        this.needs = needs;
        this.people = people;
    }

    /** A line; {@code together} is the same for those that are done in one room, one after the other. */
    record Item(
            Integer n,
            String task,
            String about,
            String machine,
            String place,
            double minutes,
            Instant startAt,
            double costPerHour,
            Instant deadline,
            String why,
            List<Needed> needs,
            Integer together,
            boolean mine,
            String url) {}

    /** Something that it uses up; {@code onHand} null where nobody counts it. */
    record Needed(String item, double quantity, Double onHand) {}

    record Answer(Instant at, List<Item> items, List<Item> notToday) {}

    /**
     * @param minutes at hand, all of the day where left out
     * @param person sign-in of whoever does it; whoever asks where left out
     */
    @GetMapping
    Answer round(
            @RequestParam(required = false) Double minutes,
            @RequestParam(required = false) String person,
            @RequestParam(required = false) Integer workers) {
        Findings findings = new Findings();
        findings.rangeIfGiven(minutes, 0, RoundController.MOST_MINUTES, "minutes", "The minutes at hand", "min");
        findings.when(
                workers != null && (workers < 1 || workers > RoundController.MOST_PEOPLE),
                "workers",
                "A round is for one to " + RoundController.MOST_PEOPLE + " people.");
        Refused.unless(findings);
        List<MachineNow> machines = standings.all();
        Rounds.Shown shown = rounds.of(machines, minutes, workers == null ? 1 : workers, who(person));
        Map<String, List<Needs.Need>> needed = needs.of(shown, machines);
        List<Round.Line> lines = shown.round().items();
        List<Integer> together = Rounds.together(lines);
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            items.add(item(i + 1, lines.get(i), needed, together.get(i)));
        }
        return new Answer(
                shown.round().at(),
                items,
                shown.round().notToday().stream()
                        .map(l -> item(null, l, needed, null))
                        .toList());
    }

    /** With no more rights than whoever asks. */
    private Rounds.Who who(String signIn) {
        Actor asks = Actor.current();
        if (signIn == null) {
            return Rounds.Who.of(asks);
        }
        People.PersonView person = people.all().stream()
                .filter(p -> p.active() && p.signIn().equals(signIn))
                .findFirst()
                .orElseThrow(() -> new Refused("person", "Nobody here signs in as " + signIn + "."));
        return new Rounds.Who(person.id(), asks.role().atLeast(person.role()) ? person.role() : asks.role());
    }

    private static Item item(Integer n, Round.Line line, Map<String, List<Needs.Need>> needed, Integer together) {
        Chore c = line.chore();
        return new Item(
                n,
                c.what(),
                c.name(),
                c.machine(),
                c.room(),
                c.minutes(),
                line.startAt(),
                c.waiting().all(),
                c.deadline(),
                c.text().isEmpty()
                        ? c.waiting().why()
                        : c.text() + " " + c.waiting().why(),
                needed.getOrDefault(c.key(), List.of()).stream()
                        .map(x -> new Needed(x.item(), x.quantity(), x.onHand()))
                        .toList(),
                together,
                line.mine(),
                c.path());
    }
}
