package keel.app.floor.web;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.app.base.Refused;
import keel.core.Findings;
import keel.core.plan.Errand;
import keel.core.plan.Sequence;
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
    private static final int MOST_ERRANDS = 200;
    private static final int MOST_WORKERS = 20;
    private static final double MOST_MINUTES = 1e6;

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

    /** An errand; {@code after} and {@code unlocks} may be left out. */
    record ErrandEntry(
            String id,
            Double minutes,
            Double costPerHour,
            Double releaseMin,
            Double deadlineMin,
            String place,
            List<String> after,
            String unlocks) {

        Errand errand() {
            return new Errand(
                    id,
                    minutes,
                    costPerHour,
                    releaseMin == null ? 0 : releaseMin,
                    deadlineMin,
                    place == null || place.isBlank() ? null : place,
                    after == null ? Set.of() : Set.copyOf(after),
                    unlocks);
        }
    }

    record SequenceQuestion(
            Integer workers,
            List<ErrandEntry> items,
            Double changeMinutes,
            Map<String, Double> unlockCosts,
            String objective) {}

    /** In which order errands are done best; waits in a circle are refused. */
    @PostMapping("/sequence")
    Sequence sequence(@RequestBody SequenceQuestion q) {
        Findings findings = new Findings();
        int workers = q.workers() == null ? 1 : q.workers();
        findings.range((double) workers, 1, MOST_WORKERS, "workers", "How many work", "");
        double change = q.changeMinutes() == null ? 0 : q.changeMinutes();
        findings.range(change, 0, MOST_MINUTES, "changeMinutes", "The minutes between two places", "min");
        Sequence.Objective objective = objective(q.objective(), findings);
        Map<String, Double> unlocks = q.unlockCosts() == null ? Map.of() : q.unlockCosts();
        unlocks.forEach((code, cost) ->
                findings.range(cost, 0, MOST_MONEY, "unlockCosts." + code, "What " + code + " costs an hour", ""));
        List<Errand> errands = errands(q.items() == null ? List.of() : q.items(), unlocks, findings);
        Refused.unless(findings);
        try {
            return Sequence.of(errands, unlocks, workers, change, objective);
        } catch (IllegalArgumentException e) {
            throw new Refused("items", e.getMessage());
        }
    }

    private static Sequence.Objective objective(String name, Findings findings) {
        if (name == null) {
            return Sequence.Objective.GREATEST_LATENESS;
        }
        Sequence.Objective objective = Arrays.stream(Sequence.Objective.values())
                .filter(o -> o.name().equals(name))
                .findFirst()
                .orElse(null);
        findings.when(objective == null, "objective", "The objective is GREATEST_LATENESS, LATE_COUNT or COST.");
        return objective;
    }

    private static List<Errand> errands(List<ErrandEntry> entries, Map<String, Double> unlocks, Findings findings) {
        findings.when(entries.size() > MOST_ERRANDS, "items", "More than " + MOST_ERRANDS + " errands.");
        List<Errand> errands = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        for (int i = 0; i < entries.size(); i++) {
            ErrandEntry e = entries.get(i);
            String field = "items[" + i + "]";
            boolean whole = e != null && e.id() != null && e.minutes() != null && e.costPerHour() != null;
            if (findings.when(!whole, field, "An errand takes id, minutes and costPerHour.")) {
                continue;
            }
            findings.when(!ids.add(e.id()), field, "Two errands are called " + e.id() + ".");
            findings.range(e.minutes(), 0, MOST_MINUTES, field + ".minutes", "The minutes", "min");
            findings.range(e.costPerHour(), 0, MOST_MONEY, field + ".costPerHour", "What an hour of waiting costs", "");
            findings.rangeIfGiven(e.releaseMin(), 0, MOST_MINUTES, field + ".releaseMin", "The earliest start", "min");
            findings.rangeIfGiven(
                    e.deadlineMin(), -MOST_MINUTES, MOST_MINUTES, field + ".deadlineMin", "The deadline", "min");
            findings.when(
                    e.unlocks() != null && !unlocks.containsKey(e.unlocks()),
                    field + ".unlocks",
                    "What waiting for " + e.unlocks() + " costs an hour is missing in unlockCosts.");
            if (findings.none()) {
                errands.add(e.errand());
            }
        }
        return errands;
    }
}
