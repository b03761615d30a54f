package keel.app.floor.week;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.fleet.ShopSettings;
import keel.app.fleet.ShopTime;
import keel.app.prints.WantedJobs;
import keel.app.prints.WantedView;
import keel.app.stores.Bottles;
import keel.app.stores.Buying;
import keel.core.week.WeekPlan;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Whether the resin is there that the jobs of a week take, one after the other, and by when to order it. */
@Component
@Transactional(readOnly = true)
public class ResinAhead {

    private final WantedJobs jobs;
    private final Bottles bottles;
    private final Buying buying;
    private final OrderBy orderBy;
    private final ShopSettings settings;
    private final ShopTime times;
    private final Clock clock;

    ResinAhead(
            WantedJobs jobs,
            Bottles bottles,
            Buying buying,
            OrderBy orderBy,
            ShopSettings settings,
            ShopTime times,
            Clock clock) {
        this.jobs = jobs;
        this.bottles = bottles;
        this.buying = buying;
        this.orderBy = orderBy;
        this.settings = settings;
        this.times = times;
        this.clock = clock;
    }

    /**
     * A resin that planned jobs take.
     *
     * @param jobs that are printed of it, of which {@code unknown} nobody knows what they take
     * @param takesMl what the others take together
     * @param inBottlesMl what is in bottles that are in date; null where nobody keeps its bottles
     * @param lacks from which job on it lacks, and by when to order; empty where it suffices or is not known
     */
    public record Line(
            String resin, String name, int jobs, int unknown, double takesMl, Double inBottlesMl, String lacks) {

        /** What is taken and what is there, in a line. */
        public String words() {
            String taken = unknown == jobs
                    ? "nobody knows how much " + (jobs == 1 ? "its job takes" : "its " + jobs + " jobs take")
                    : String.format(Locale.ROOT, "%.0f ml for %s", takesMl, jobs(jobs - unknown));
            String more = unknown == 0 || unknown == jobs ? "" : ", and of " + jobs(unknown) + " nobody knows";
            String there = inBottlesMl == null
                    ? "; nobody keeps count of its bottles"
                    : String.format(Locale.ROOT, "; %.0f ml in bottles", inBottlesMl);
            return taken + more + there;
        }

        private static String jobs(int count) {
            return count == 1 ? "one job" : count + " jobs";
        }
    }

    /** By the resins' names. What stands in vats is not counted: as much has to stand there afterwards. */
    public List<Line> of(WeekPlanned week) {
        Map<String, List<WeekPlan.Slot>> byResin = new LinkedHashMap<>();
        for (WeekPlan.Slot s : week.plan().slots()) {
            week.job(s.id()).map(j -> j.entry().resin()).ifPresent(resin -> byResin.computeIfAbsent(
                            resin, r -> new ArrayList<>())
                    .add(s));
        }
        if (byResin.isEmpty()) {
            return List.of();
        }
        Map<Long, Double> takes = jobs.takesMl(byResin.values().stream()
                .flatMap(List::stream)
                .map(s -> week.jobs().get(s.id()).id())
                .toList());
        LocalDate today = clock.instant().atZone(settings.zone()).toLocalDate();
        Map<String, Double> there = bottles.all(false).stream()
                .filter(b -> !b.expired(today))
                .collect(
                        Collectors.groupingBy(Bottles.Bottle::resin, Collectors.summingDouble(Bottles.Bottle::leftMl)));
        Set<String> kept = bottles.all(true).stream().map(Bottles.Bottle::resin).collect(Collectors.toSet());
        return byResin.entrySet().stream()
                .map(e -> line(
                        e.getKey(),
                        e.getValue(),
                        week,
                        takes,
                        kept.contains(e.getKey()) ? there.getOrDefault(e.getKey(), 0.0) : null))
                .sorted(Comparator.comparing(Line::name))
                .toList();
    }

    private Line line(
            String resin, List<WeekPlan.Slot> slots, WeekPlanned week, Map<Long, Double> takes, Double there) {
        double sum = 0;
        int unknown = 0;
        WeekPlan.Slot lacking = null;
        for (WeekPlan.Slot s : slots) {
            Double ml = takes.get(week.jobs().get(s.id()).id());
            unknown += ml == null ? 1 : 0;
            sum += ml == null ? 0 : ml;
            lacking = lacking == null && there != null && sum > there ? s : lacking;
        }
        WantedView first = week.jobs().get(slots.get(0).id());
        return new Line(
                resin,
                first.resinName(),
                slots.size(),
                unknown,
                sum,
                there,
                lacking == null ? "" : lacks(resin, lacking, week));
    }

    private String lacks(String resin, WeekPlan.Slot from, WeekPlanned week) {
        Buying.BuyingLine line = bottles.counting(resin)
                .flatMap(item -> buying.lines(Set.of(item)).stream().findFirst())
                .orElse(null);
        return "Lacks from " + week.jobs().get(from.id()).name() + " on, " + times.ahead(from.startAt()) + ": "
                + orderBy.words(line, from.startAt(), week.plan().at());
    }
}
