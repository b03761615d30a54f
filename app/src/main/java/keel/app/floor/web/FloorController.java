package keel.app.floor.web;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import keel.app.base.Figures;
import keel.app.failures.Failures;
import keel.app.fleet.ShopSettings;
import keel.app.floor.Brief;
import keel.app.floor.begin.FirstPrint;
import keel.app.floor.round.Rounds;
import keel.app.people.Actor;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.prints.Runs;
import keel.app.screen.ScreenVerdicts;
import keel.app.standing.MachineNow;
import keel.app.standing.NotKnown;
import keel.app.standing.PartFact;
import keel.app.standing.StackDrawing;
import keel.app.standing.Standings;
import keel.core.screen.ScreenVerdict;
import keel.core.standing.MachineState;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The fleet at a glance, and one machine with all that is on it. */
@Controller
class FloorController {

    /** Above so many machines the shelf becomes rows. */
    private static final Figures FIG = new Figures();

    private static final int MOST_ON_SHELF = 12;

    private static final double MOST_WIDTH = 860;
    private static final int FIRST = 3;
    private static final Duration PLATE_MEMORY = Duration.ofDays(180);

    private final Standings standings;
    private final ShopSettings settings;
    private final Logbook logbook;
    private final Runs runs;
    private final Failures failures;
    private final MachineLives lives;
    private final ScreenVerdicts verdicts;
    private final Rounds rounds;
    private final Clock clock;

    FloorController(
            Standings standings,
            ShopSettings settings,
            Logbook logbook,
            Runs runs,
            Failures failures,
            MachineLives lives,
            ScreenVerdicts verdicts,
            Rounds rounds,
            Clock clock) {
        this.standings = standings;
        this.settings = settings;
        this.logbook = logbook;
        this.runs = runs;
        this.failures = failures;
        this.lives = lives;
        this.verdicts = verdicts;
        this.rounds = rounds;
        this.clock = clock;
    }

    /** A machine as it stands on the shelf. */
    record Stand(MachineNow m, StackDrawing drawing, Fortnight.Strip strip, String brief) {

        /** Hours of its film or tank; null where there is none. */
        public String lining() {
            return m.film() == null ? null : worn(m.film().usage().hours(), "h", m.knows(NotKnown.About.FILM));
        }

        public String screen() {
            return m.screen() == null
                    ? null
                    : worn(m.screen().usage().uvHours(), "UV h", m.knows(NotKnown.About.SCREEN));
        }

        /** Where nobody knows what was before, what is known is the least that it can be. */
        private static String worn(double hours, String unit, boolean known) {
            String figure = FIG.hours(hours) + " " + unit;
            return known ? figure : hours == 0 ? "not known" : "over " + figure;
        }
    }

    @GetMapping("/")
    String home() {
        return "redirect:/fleet";
    }

    @GetMapping("/fleet")
    String fleet(Model model) {
        Instant now = clock.instant();
        ZoneId zone = settings.zone();
        List<MachineNow> machines = standings.all();
        Fortnight fortnight = new Fortnight(runs.printedSince(Fortnight.from(now, zone)), now, zone);
        List<Stand> stands = machines.stream()
                .map(m -> new Stand(m, StackDrawing.of(m, now), fortnight.of(m.code()), Brief.of(m)))
                .toList();
        model.addAttribute("machines", machines);
        model.addAttribute("stands", stands);
        model.addAttribute("shelves", machines.size() > MOST_ON_SHELF ? List.of() : shelves(stands));
        model.addAttribute("firsts", FirstPrint.of(machines));
        model.addAttribute("headline", Headline.of(machines));
        model.addAttribute("counts", counts(machines));
        model.addAttribute(
                "fortnight",
                fortnight.sentence(machines.stream().collect(Collectors.toMap(MachineNow::code, MachineNow::name))));
        Rounds.Shown round = rounds.of(machines, null, 1, Rounds.Who.of(Actor.current()));
        model.addAttribute("tasks", round.first(FIRST));
        model.addAttribute("more", Math.max(0, round.round().items().size() - FIRST));
        model.addAttribute("others", round.others());
        return "floor/fleet";
    }

    @GetMapping("/machines/{code}")
    String machine(@PathVariable String code, Model model) {
        Instant now = clock.instant();
        MachineNow machine = standings.of(code);
        StackDrawing drawing = StackDrawing.of(machine, now);
        Optional<ScreenVerdict> screen = verdicts.of(machine);
        model.addAttribute("m", machine);
        model.addAttribute("drawing", drawing);
        model.addAttribute("facts", PartFact.of(machine, drawing, settings.defaults()));
        model.addAttribute(
                "plate",
                PlateMap.of(
                        machine.plateWidthMm(),
                        machine.plateDepthMm(),
                        failures.zonesSince(machine.id(), now.minus(PLATE_MEMORY))));
        model.addAttribute("lives", lives.of(machine));
        Rounds.Shown wants = rounds.at(machine, screen.orElse(null), Rounds.Who.of(Actor.current()));
        model.addAttribute("tasks", wants.lines());
        model.addAttribute("others", wants.others());
        model.addAttribute("lines", logbook.lines(LogFilter.ofMachine(code, 4)));
        return "floor/machine";
    }

    /** As many machines on a shelf as fit beside one another. */
    private static List<List<Stand>> shelves(List<Stand> stands) {
        List<List<Stand>> shelves = new ArrayList<>();
        double width = MOST_WIDTH;
        for (Stand stand : stands) {
            if (width + stand.drawing().width() > MOST_WIDTH) {
                shelves.add(new ArrayList<>());
                width = 0;
            }
            shelves.get(shelves.size() - 1).add(stand);
            width += stand.drawing().width();
        }
        return shelves;
    }

    private static List<String> counts(List<MachineNow> machines) {
        Map<MachineState, Long> byState = machines.stream()
                .collect(Collectors.groupingBy(m -> m.standing().state(), Collectors.counting()));
        return byState.entrySet().stream()
                .sorted(Comparator.comparing(Map.Entry::getKey))
                .map(e -> e.getValue() + " " + e.getKey().word().toLowerCase(Locale.ROOT))
                .toList();
    }
}
