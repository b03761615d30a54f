package keel.app.floor;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import keel.app.bench.Drying;
import keel.app.guides.OpenGuide;
import keel.app.prints.LookDue;
import keel.app.standing.MachineNow;
import keel.core.screen.ScreenVerdict;
import keel.core.standing.Concern;
import keel.core.standing.Hold;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineState;
import keel.core.standing.ServiceKind;

/** What needs hands now, in order: what is begun, what holds machines, what ends soon, what is due, what will be. */
public final class Tasks {

    private static final Duration SOON = Duration.ofHours(3);

    private Tasks() {}

    public static List<Task> of(
            List<MachineNow> machines,
            List<OpenGuide> begun,
            List<LookDue> looks,
            List<Drying.Lot> drying,
            Map<Long, ScreenVerdict> screens,
            List<Task> besides,
            Map<ServiceKind, Integer> minutes,
            Instant now) {
        List<Task> tasks = new ArrayList<>();
        begun.forEach(g -> tasks.add(new Task(
                g.machine(),
                g.machineName(),
                g.name() + ": go on",
                "Put down at \"" + g.step() + "\" by " + g.touchedBy() + ".",
                null,
                null,
                "/guides/" + g.id())));
        List<MachineNow> inService = machines.stream()
                .filter(m -> m.standing().state() != MachineState.OFF)
                .toList();
        inService.stream()
                .sorted(Comparator.comparing(
                        m -> m.holds().isEmpty() ? 99 : m.holds().get(0).code().ordinal()))
                .forEach(m -> m.holds().forEach(h -> tasks.add(hold(m, h, minutes))));
        looks.forEach(l -> tasks.add(look(l, now)));
        inService.stream()
                .filter(m -> m.run() != null
                        && m.run().expectedEnd() != null
                        && m.run().expectedEnd().isBefore(now.plus(SOON)))
                .sorted(Comparator.comparing(m -> m.run().expectedEnd()))
                .forEach(m -> tasks.add(ending(m, now)));
        drying.forEach(d -> tasks.add(dries(d, now)));
        tasks.addAll(besides);
        inService.stream()
                .filter(m -> spent(screens.get(m.id()))
                        && m.standing().concerns().stream()
                                .noneMatch(c -> c.task() == ServiceKind.SCREEN_CHANGE && c.level() == MachineState.DUE))
                .forEach(m -> tasks.add(new Task(
                        m.code(),
                        m.name(),
                        ServiceKind.SCREEN_CHANGE.task(),
                        screens.get(m.id()).reasons().get(0),
                        null,
                        null,
                        path(m, ServiceKind.SCREEN_CHANGE))));
        for (MachineState level : List.of(MachineState.DUE, MachineState.WATCH)) {
            for (MachineNow m : inService) {
                m.standing().concerns().stream()
                        .filter(c -> c.level() == level && (level == MachineState.DUE || c.task() != null))
                        .forEach(c -> tasks.add(concern(m, c)));
            }
        }
        inService.stream().filter(m -> !m.notKnown().isEmpty()).forEach(m -> tasks.add(notKnown(m)));
        return tasks;
    }

    /** One line for all that nobody said of a machine; it leads to where each is done or said. */
    private static Task notKnown(MachineNow m) {
        List<String> what = m.notKnown().stream().map(n -> n.about().words()).toList();
        String listed = what.size() == 1
                ? what.get(0)
                : String.join("; ", what.subList(0, what.size() - 1)) + "; and " + what.get(what.size() - 1);
        return new Task(
                m.code(),
                m.name(),
                "Say what is not known",
                "Nobody said " + listed + ". Until then it counts neither for nor against.",
                null,
                null,
                "/machines/" + m.code() + "/not-known");
    }

    private static boolean spent(ScreenVerdict v) {
        return v != null && v.verdict() == ScreenVerdict.Verdict.CHANGE;
    }

    private static Task hold(MachineNow m, Hold hold, Map<ServiceKind, Integer> minutes) {
        ServiceKind next = hold.next() == ServiceKind.FILM_CHANGE && m.kind() == MachineKind.LASER_TANK
                ? ServiceKind.TANK_CHANGE
                : hold.next();
        return new Task(
                m.code(),
                m.name(),
                next.task(),
                hold.text(),
                minutes.getOrDefault(next, hold.code().minutes()),
                null,
                path(m, next));
    }

    private static Task look(LookDue l, Instant now) {
        boolean due = !l.dueAt().isAfter(now);
        return new Task(
                l.machine(),
                l.machineName(),
                "Look in",
                l.kind().words() + ": " + l.job() + ", about layer " + l.layer() + ".",
                1,
                due ? null : l.dueAt(),
                "/runs/" + l.run() + "/now");
    }

    private static Task dries(Drying.Lot d, Instant now) {
        boolean dry = !d.until().isAfter(now);
        return new Task(
                d.machine(),
                d.machineName(),
                dry ? "Cure" : "Dries before the cure",
                (d.job() == null ? "Parts" : d.job()) + (dry ? " should be dry." : " is not dry before then."),
                null,
                dry ? null : d.until(),
                d.run() == null ? "/machines/" + d.machine() : "/runs/" + d.run());
    }

    private static Task ending(MachineNow m, Instant now) {
        boolean over = m.run().expectedEnd().isBefore(now);
        return new Task(
                m.code(),
                m.name(),
                over ? "Look in: it should be done" : "Be there when it ends",
                m.run().job() + (over ? " is over its usual time." : " ends about then."),
                null,
                over ? null : m.run().expectedEnd(),
                "/runs/" + m.run().id());
    }

    private static Task concern(MachineNow m, Concern c) {
        return new Task(
                m.code(),
                m.name(),
                Brief.of(c),
                c.text(),
                null,
                null,
                c.task() == null ? "/machines/" + m.code() : path(m, c.task()));
    }

    /** The page that leads to the guide of a service, or to its form where there is none. */
    private static String path(MachineNow m, ServiceKind kind) {
        return "/machines/" + m.code() + "/do/" + kind.name();
    }
}
