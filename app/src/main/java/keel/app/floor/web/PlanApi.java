package keel.app.floor.web;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import keel.app.base.Refused;
import keel.core.Findings;
import keel.core.plan.Visits;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What is best done together, reckoned for programs. */
@RestController
@RequestMapping("/api/v1/plan")
class PlanApi {

    private static final int MOST_TASKS = 400;
    private static final int MOST_DAYS = 3650;
    private static final double MOST_MONEY = 1e9;

    /** A task; {@code minutes} are taken and not used. */
    record ItemEntry(String id, Integer bestDay, Double earlyPerDay, Double latePerDay, Double minutes) {}

    record GroupQuestion(Double visitCost, List<ItemEntry> items) {}

    @PostMapping("/group")
    Visits group(@RequestBody GroupQuestion q) {
        Findings findings = new Findings();
        findings.range(q.visitCost(), 0, MOST_MONEY, "visitCost", "The cost of a visit", "");
        List<ItemEntry> entries = q.items() == null ? List.of() : q.items();
        findings.when(entries.size() > MOST_TASKS, "items", "More than " + MOST_TASKS + " tasks.");
        List<Visits.Task> tasks = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        for (int i = 0; i < entries.size(); i++) {
            ItemEntry e = entries.get(i);
            String field = "items[" + i + "]";
            boolean whole = e != null
                    && e.id() != null
                    && e.bestDay() != null
                    && e.earlyPerDay() != null
                    && e.latePerDay() != null;
            if (findings.when(!whole, field, "A task takes id, bestDay, earlyPerDay and latePerDay.")) {
                continue;
            }
            findings.when(!ids.add(e.id()), field, "Two tasks are called " + e.id() + ".");
            findings.range(
                    e.bestDay().doubleValue(), 0, MOST_DAYS, field + ".bestDay", "The best day", "days from now");
            findings.range(e.earlyPerDay(), 0, MOST_MONEY, field + ".earlyPerDay", "What a day too early costs", "");
            findings.range(e.latePerDay(), 0, MOST_MONEY, field + ".latePerDay", "What a day too late costs", "");
            tasks.add(new Visits.Task(e.id(), e.bestDay(), e.earlyPerDay(), e.latePerDay()));
        }
        Refused.unless(findings);
        return Visits.of(q.visitCost(), tasks);
    }
}
