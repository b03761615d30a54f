package keel.app.floor.web;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import keel.app.floor.week.WeekPlanned;
import keel.app.standing.MachineNow;
import keel.core.week.PlanningFigures;
import keel.core.week.WeekPlan;
import keel.core.week.WorkHours;

/**
 * The week as lanes: a machine a lane, time to the right, what nobody is there for shaded.
 *
 * @param closed times in which nobody is there
 * @param from when it begins, epoch seconds; {@code pxPerHour} how wide an hour is
 */
record WeekDrawing(
        double width,
        double height,
        List<Lane> lanes,
        List<Day> days,
        List<Span> closed,
        List<Bar> bars,
        long from,
        double pxPerHour,
        String words) {

    static final double LEFT = 92;
    private static final double WIDTH = 1180;
    private static final double TOP = 30;
    private static final double PITCH = 40;
    private static final double BAR = 28;
    private static final double LETTER = 6.2;
    private static final double LEAST = 40;
    private static final double PAD = 6;
    private static final double MINUTES = 60.0;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d", Locale.ENGLISH);

    /** A machine's lane by its top; the bench has no code, and no job can be drawn there. */
    record Lane(String code, String name, double y) {}

    /** Midnight before a day. */
    record Day(String name, double x, boolean line) {}

    record Span(double x, double width) {}

    /**
     * A print or a piece of upkeep.
     *
     * @param hands how wide the work before it is
     * @param text as much of its name as fits, in the bar or beside it
     * @param textX where that begins
     * @param kind "going", "job", "late" or "upkeep"
     * @param job id of the job that can be moved; null for what cannot
     */
    record Bar(
            double x,
            double y,
            double width,
            double hands,
            String text,
            double textX,
            String title,
            String kind,
            boolean fixed,
            String path,
            Long job) {

        private Bar saying(String words, double at) {
            return new Bar(x, y, width, hands, words, at, title, kind, fixed, path, job);
        }
    }

    static WeekDrawing of(WeekPlanned week, WeekPage page, ZoneId zone) {
        Instant from = week.plan().at();
        Instant to = from.plus(Duration.ofDays(PlanningFigures.days()));
        double perHour = (WIDTH - LEFT) / (PlanningFigures.days() * 24);
        List<Lane> lanes = new ArrayList<>();
        List<Bar> bars = new ArrayList<>();
        for (MachineNow m : week.machines()) {
            lanes.add(new Lane(m.code(), m.name(), TOP + PITCH * lanes.size()));
        }
        if (week.atBench()) {
            lanes.add(new Lane(null, WeekPlanned.benchName(), TOP + PITCH * lanes.size()));
        }
        Scale scale = new Scale(from, to, perHour, lanes);
        week.machines().stream().filter(m -> m.run() != null).forEach(m -> bars.add(going(m, scale)));
        page.days().stream()
                .flatMap(d -> d.entries().stream())
                .sorted(Comparator.comparing(e -> e.slot().startAt()))
                .forEach(e -> bars.add(bar(e, scale)));
        return new WeekDrawing(
                WIDTH,
                TOP + PITCH * lanes.size() + 2,
                lanes,
                days(scale, zone),
                closed(week.shifts(), scale),
                labelled(bars),
                from.getEpochSecond(),
                perHour,
                words(page));
    }

    /** Where a moment lies. */
    private record Scale(Instant from, Instant to, double perHour, List<Lane> lanes) {

        double x(Instant at) {
            Instant inside = at.isBefore(from) ? from : at.isAfter(to) ? to : at;
            return LEFT + Duration.between(from, inside).toSeconds() / MINUTES / MINUTES * perHour;
        }

        private double height() {
            return TOP + PITCH * lanes.size();
        }

        double y(String machine) {
            return lanes.stream()
                    .filter(l -> machine.equals(l.code()))
                    .findFirst()
                    .map(l -> l.y() + (PITCH - BAR) / 2)
                    .orElse(height() - PITCH + (PITCH - BAR) / 2);
        }
    }

    private static Bar going(MachineNow m, Scale scale) {
        double x = scale.x(scale.from());
        double width = Math.max(3, scale.x(WeekPlanned.ends(m.run())) - x);
        String title = m.name() + ": " + m.run().job() + " is printing";
        return new Bar(
                x,
                scale.y(m.code()),
                width,
                0,
                m.run().job(),
                0,
                title,
                "going",
                false,
                "/runs/" + m.run().id(),
                null);
    }

    private static Bar bar(WeekPage.Entry e, Scale scale) {
        WeekPlan.Slot s = e.slot();
        double x = scale.x(s.startAt());
        double width = Math.max(e.upkeep() != null ? 12 : 3, scale.x(s.endAt()) - x);
        return new Bar(
                x,
                scale.y(s.machine()),
                width,
                Math.min(width, scale.x(s.printsFrom()) - x),
                e.upkeep() != null ? "" : e.what(),
                0,
                e.machine() + ": " + e.what() + ". " + e.why(),
                e.upkeep() != null ? "upkeep" : e.late() ? "late" : "job",
                e.fixed(),
                e.path(),
                e.job() == null ? null : e.job().id());
    }

    /** A name stands in its bar where it fits, else beside it where the lane is empty, else as much of it as fits. */
    private static List<Bar> labelled(List<Bar> bars) {
        return bars.stream()
                .map(b -> {
                    double next = bars.stream()
                            .filter(o -> o.y() == b.y() && o.x() > b.x())
                            .mapToDouble(Bar::x)
                            .min()
                            .orElse(WIDTH + LETTER * 4);
                    double inside = b.width() - b.hands() - 2 * PAD;
                    double beside = next - b.x() - b.width() - 2 * PAD;
                    double full = b.text().length() * LETTER;
                    boolean out = full > inside && beside > inside && beside > LEAST;
                    return b.saying(cut(b.text(), out ? beside : inside), b.x() + PAD + (out ? b.width() : b.hands()));
                })
                .toList();
    }

    private static String cut(String name, double width) {
        int letters = (int) (width / LETTER);
        return name.length() <= letters ? name : letters < 3 ? "" : name.substring(0, letters - 1) + "…";
    }

    private static List<Day> days(Scale scale, ZoneId zone) {
        List<Day> days = new ArrayList<>();
        LocalDate day = scale.from().atZone(zone).toLocalDate();
        days.add(new Day(DAY.format(day), LEFT, false));
        for (LocalDate next = day.plusDays(1); ; next = next.plusDays(1)) {
            Instant midnight = next.atStartOfDay(zone).toInstant();
            if (!midnight.isBefore(scale.to())) {
                break;
            }
            days.add(new Day(DAY.format(next), scale.x(midnight), true));
        }
        return days.size() > 1 && days.get(1).x() - LEFT < 44 ? days.subList(1, days.size()) : days;
    }

    private static List<Span> closed(List<WorkHours.Shift> shifts, Scale scale) {
        List<WorkHours.Shift> sorted = shifts.stream()
                .sorted(Comparator.comparing(WorkHours.Shift::from))
                .toList();
        List<Span> closed = new ArrayList<>();
        double until = scale.x(scale.from());
        for (WorkHours.Shift s : sorted) {
            double x = scale.x(s.from());
            if (x > until) {
                closed.add(new Span(until, x - until));
            }
            until = Math.max(until, scale.x(s.to()));
        }
        if (until < WIDTH) {
            closed.add(new Span(until, WIDTH - until));
        }
        return closed;
    }

    private static String words(WeekPage page) {
        int jobs = page.days().stream()
                .mapToInt(d ->
                        (int) d.entries().stream().filter(e -> e.job() != null).count())
                .sum();
        return "Seven days, a lane for each machine: " + jobs + (jobs == 1 ? " job." : " jobs.")
                + " The same day by day below.";
    }
}
