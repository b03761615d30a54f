package keel.app.bench.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import keel.app.bench.FirstLayers;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page of the first-layer test: which patches held, what that says, and what to do about it. */
@Controller
class FirstLayerController {

    private final FirstLayers tests;
    private final Fleet fleet;

    FirstLayerController(FirstLayers tests, Fleet fleet) {
        this.tests = tests;
        this.fleet = fleet;
    }

    @GetMapping("/machines/{code}/first-layer")
    String ask(@PathVariable String code, Model model) {
        return show(fleet.machine(code), new TreeSet<>(zones()), model);
    }

    /** Says what the patches say; with {@code keep} it goes into the logbook. */
    @PostMapping("/machines/{code}/first-layer")
    String judge(
            @PathVariable String code,
            @RequestParam(required = false) Set<String> held,
            @RequestParam(required = false) String keep,
            Model model) {
        MachineRef machine = fleet.machine(code);
        Set<String> those = held == null
                ? Set.of()
                : held.stream().filter(zones()::contains).collect(Collectors.toCollection(TreeSet::new));
        if (keep != null) {
            tests.keep(machine, those);
            return "redirect:/machines/" + code + "/first-layer?kept";
        }
        model.addAttribute("test", FirstLayers.judge(those));
        return show(machine, those, model);
    }

    private String show(MachineRef machine, Set<String> held, Model model) {
        model.addAttribute("machine", machine);
        model.addAttribute("held", held);
        model.addAttribute("lines", tests.earlier(machine));
        return "bench/first-layer";
    }

    /** Places as everywhere: A1 front left to F4 back right. */
    private static List<String> zones() {
        List<String> zones = new ArrayList<>();
        for (int c = 0; c < FirstLayers.COLUMNS; c++) {
            for (int r = 1; r <= FirstLayers.ROWS; r++) {
                zones.add("" + (char) ('A' + c) + r);
            }
        }
        return zones;
    }
}
