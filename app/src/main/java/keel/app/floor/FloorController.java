package keel.app.floor;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.ShopSettings;
import keel.app.logbook.LogFilter;
import keel.app.logbook.Logbook;
import keel.app.upkeep.MachineNow;
import keel.app.upkeep.Standings;
import keel.core.standing.Concern;
import keel.core.standing.Defaults;
import keel.core.standing.Hold;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineState;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The fleet at a glance, and one machine with all that is on it. */
@Controller
class FloorController {

    private final Standings standings;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Logbook logbook;

    FloorController(Standings standings, Fleet fleet, ShopSettings settings, Logbook logbook) {
        this.standings = standings;
        this.fleet = fleet;
        this.settings = settings;
        this.logbook = logbook;
    }

    /** Something that needs hands, with the page that does it. */
    record Task(String machine, String name, String text, Integer minutes, String path) {}

    @GetMapping("/")
    String home() {
        return "redirect:/fleet";
    }

    @GetMapping("/fleet")
    String fleet(Model model) {
        List<MachineNow> machines = standings.all();
        model.addAttribute("machines", machines);
        model.addAttribute("headline", headline(machines));
        model.addAttribute("counts", counts(machines));
        model.addAttribute("tasks", tasks(machines));
        addAges(model);
        return "floor/fleet";
    }

    @GetMapping("/machines/{code}")
    String machine(@PathVariable String code, Model model) {
        MachineNow machine = standings.of(code);
        MachineRef ref = fleet.machine(code);
        model.addAttribute("m", machine);
        model.addAttribute("ref", ref);
        model.addAttribute("tasks", tasks(List.of(machine)));
        model.addAttribute("services", ServiceKind.of(ref.traits()));
        model.addAttribute("lines", logbook.lines(LogFilter.ofMachine(code, 12)));
        addAges(model);
        return "floor/machine";
    }

    private void addAges(Model model) {
        Defaults defaults = settings.defaults();
        model.addAttribute("lubricateAt", defaults.value("lubrication.everyHours"));
        model.addAttribute("abradeAt", defaults.value("abrading.everyHours"));
        model.addAttribute("ageOf", Map.of("film", full(defaults, "film"), "tank", full(defaults, "tank"), "screen", full(defaults, "screen"),
                "light", full(defaults, "light")));
    }

    /** The age a part's bar is full at: when it is replaced, or by when most have ended. */
    private static double full(Defaults defaults, String part) {
        double replaceAt = defaults.value(part + ".replaceAtHours");
        return replaceAt > 0 ? replaceAt : defaults.value(part + ".scaleHours");
    }

    private static String headline(List<MachineNow> machines) {
        if (machines.isEmpty()) {
            return "No machines yet";
        }
        long held = count(machines, MachineState.HOLD);
        long due = count(machines, MachineState.DUE);
        String many = capital(number(machines.size())) + (machines.size() == 1 ? " machine" : " machines");
        if (held > 0) {
            return many + ", " + number(held) + " must not print";
        }
        if (due > 0) {
            return many + ", upkeep due on " + number(due);
        }
        return many + ", nothing stands in the way";
    }

    private static List<String> counts(List<MachineNow> machines) {
        Map<MachineState, Long> byState = machines.stream().collect(Collectors.groupingBy(m -> m.standing().state(), Collectors.counting()));
        return byState.entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(e -> e.getValue() + " " + e.getKey().word().toLowerCase()).toList();
    }

    private static List<Task> tasks(List<MachineNow> machines) {
        List<Task> tasks = new ArrayList<>();
        List<MachineNow> inService = machines.stream().filter(m -> m.standing().state() != MachineState.OFF).toList();
        for (MachineNow m : inService.stream().sorted(Comparator.comparing(m -> m.holds().isEmpty() ? 99 : m.holds().get(0).code().ordinal())).toList()) {
            for (Hold hold : m.holds()) {
                tasks.add(new Task(m.code(), m.name(), hold.text(), hold.code().minutes(), path(m, next(m, hold))));
            }
        }
        for (MachineState level : List.of(MachineState.DUE, MachineState.WATCH)) {
            for (MachineNow m : inService) {
                for (Concern concern : m.standing().concerns()) {
                    if (concern.level() == level && (level == MachineState.DUE || concern.task() != null)) {
                        tasks.add(new Task(m.code(), m.name(), concern.text(), null, concern.task() == null ? "/machines/" + m.code() : path(m, concern.task())));
                    }
                }
            }
        }
        return tasks;
    }

    /** A tank is changed where others change a film. */
    private static ServiceKind next(MachineNow m, Hold hold) {
        return hold.next() == ServiceKind.FILM_CHANGE && m.kind() == MachineKind.LASER_TANK ? ServiceKind.TANK_CHANGE : hold.next();
    }

    private static String path(MachineNow m, ServiceKind kind) {
        return "/machines/" + m.code() + "/services/" + kind.name();
    }

    private static long count(List<MachineNow> machines, MachineState state) {
        return machines.stream().filter(m -> m.standing().state() == state).count();
    }

    private static String number(long n) {
        String[] words = {"no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"};
        return n < words.length ? words[(int) n] : Long.toString(n);
    }

    private static String capital(String word) {
        return Character.toUpperCase(word.charAt(0)) + word.substring(1);
    }
}
