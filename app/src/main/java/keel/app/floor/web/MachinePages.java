package keel.app.floor.web;

import java.time.Clock;
import java.time.Instant;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import keel.app.base.CsvFile;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.floor.AtTheBench;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.stores.Costs;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Two tabs of a machine: what is done at it, and how it went. */
@Controller
class MachinePages {

    private static final int MONTHS = 12;
    private static final int LINES = 30;

    private final Standings standings;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final AtTheBench bench;
    private final Costs costs;
    private final MachineLives lives;
    private final Logbook logbook;
    private final Clock clock;

    MachinePages(
            Standings standings,
            Fleet fleet,
            ShopSettings settings,
            AtTheBench bench,
            Costs costs,
            MachineLives lives,
            Logbook logbook,
            Clock clock) {
        this.standings = standings;
        this.fleet = fleet;
        this.settings = settings;
        this.bench = bench;
        this.costs = costs;
        this.lives = lives;
        this.logbook = logbook;
        this.clock = clock;
    }

    @GetMapping("/machines/{code}/bench")
    String bench(@PathVariable String code, Model model) {
        MachineNow machine = standings.of(code);
        model.addAttribute("m", machine);
        model.addAttribute("jobs", bench.of(fleet.machine(code)));
        return "floor/machine-bench";
    }

    @GetMapping("/machines/{code}/history")
    String history(@PathVariable String code, Model model) {
        Instant now = clock.instant();
        MachineNow machine = standings.of(code);
        Costs.OfMachine fared = costs.ofMachine(machine, from(now), now);
        model.addAttribute("m", machine);
        model.addAttribute("fared", fared);
        model.addAttribute("months", fared.months().isEmpty() ? null : MonthsDrawing.of(fared.months()));
        model.addAttribute("lives", lives.of(machine));
        model.addAttribute("lines", logbook.lines(LogFilter.ofMachine(code, LINES)));
        return "floor/machine-history";
    }

    @GetMapping(value = "/machines/{code}/history.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(@PathVariable String code) {
        Instant now = clock.instant();
        List<List<?>> rows = new ArrayList<>();
        costs.ofMachine(standings.of(code), from(now), now)
                .months()
                .forEach(m -> rows.add(Arrays.asList(
                        m.name(),
                        m.used().prints(),
                        m.good(),
                        m.used().hours(),
                        m.used().uvHours(),
                        m.used().resinMl(),
                        m.cost().perAttempt(),
                        m.lost())));
        return CsvFile.of(
                code + "-months.csv",
                List.of("month", "prints", "cameOut", "hours", "uvHours", "resinMl", "cost", "lost"),
                rows);
    }

    /** The beginning of the month eleven months before this one, in the shop's own days. */
    private Instant from(Instant now) {
        ZoneId zone = settings.zone();
        return YearMonth.from(now.atZone(zone))
                .minusMonths(MONTHS - 1L)
                .atDay(1)
                .atStartOfDay(zone)
                .toInstant();
    }
}
