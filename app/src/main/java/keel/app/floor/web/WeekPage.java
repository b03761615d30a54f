package keel.app.floor.web;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import keel.app.floor.week.Reasons;
import keel.app.floor.week.SittingParts;
import keel.app.floor.week.WeekPlanned;
import keel.app.prints.WantedView;
import keel.core.week.WeekPlan;

/**
 * The week day by day, in the order in which somebody goes to it.
 *
 * @param left jobs that find no place, with what would have to give
 */
record WeekPage(List<Day> days, List<Left> left) {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMM", Locale.ENGLISH);

    /** @param name "today", "tomorrow" or the day's */
    record Day(LocalDate date, String name, List<Entry> entries) {}

    /**
     * Something that somebody begins.
     *
     * @param job null for upkeep
     * @param buy what lacks for it, empty where nothing does; {@code meanwhile} what is put in for so long, likewise
     * @param path where it is done
     */
    record Entry(
            WeekPlan.Slot slot,
            WantedView job,
            WeekPlanned.Upkeep upkeep,
            String machine,
            String what,
            String why,
            String buy,
            String meanwhile,
            String path) {

        public boolean late() {
            return slot.why().contains(WeekPlan.Why.LATE);
        }

        public boolean fixed() {
            return slot.why().contains(WeekPlan.Why.FIXED);
        }
    }

    record Left(WantedView job, String why) {}

    static WeekPage of(WeekPlanned week, Reasons reasons, SittingParts.Said said, ZoneId zone) {
        Map<LocalDate, List<Entry>> byDay = new TreeMap<>();
        week.plan().slots().forEach(s -> byDay.computeIfAbsent(day(s.startAt(), zone), d -> new ArrayList<>())
                .add(entry(s, week, reasons, said)));
        LocalDate today = day(week.plan().at(), zone);
        List<Day> days = byDay.entrySet().stream()
                .map(e -> new Day(e.getKey(), name(e.getKey(), today), e.getValue()))
                .toList();
        List<Left> left = week.plan().left().stream()
                .flatMap(l -> week.job(l.id()).map(j -> new Left(j, reasons.of(l, j, week))).stream())
                .toList();
        return new WeekPage(days, left);
    }

    private static LocalDate day(Instant at, ZoneId zone) {
        return at.atZone(zone).toLocalDate();
    }

    private static String name(LocalDate day, LocalDate today) {
        return day.equals(today)
                ? "Today"
                : day.equals(today.plusDays(1)) ? "Tomorrow, " + DAY.format(day) : DAY.format(day);
    }

    static Entry entry(WeekPlan.Slot slot, WeekPlanned week, Reasons reasons, SittingParts.Said said) {
        Optional<WantedView> job = week.job(slot.id());
        WeekPlanned.Upkeep upkeep = week.upkeep().get(slot.id());
        return job.isPresent()
                ? new Entry(
                        slot,
                        job.get(),
                        null,
                        week.machine(slot.machine()),
                        job.get().name(),
                        reasons.line(slot),
                        "",
                        "",
                        "/jobs/" + job.get().id())
                : new Entry(
                        slot,
                        null,
                        upkeep,
                        week.machine(slot.machine()),
                        upkeep.what(),
                        upkeep.why() + (upkeep.early() ? " A little early: somebody is at it anyway." : ""),
                        said.lacking().getOrDefault(slot.id(), ""),
                        said.meanwhile().getOrDefault(slot.id(), ""),
                        upkeep.path());
    }
}
