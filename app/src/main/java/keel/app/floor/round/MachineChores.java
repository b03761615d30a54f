package keel.app.floor.round;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.fleet.ShopTime;
import keel.app.floor.Brief;
import keel.app.standing.MachineNow;
import keel.app.standing.NotKnown;
import keel.app.standing.PartLooks;
import keel.app.stores.IdleResin;
import keel.core.round.ChoreKind;
import keel.core.screen.ScreenVerdict;
import keel.core.standing.Concern;
import keel.core.standing.Hold;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineState;
import keel.core.standing.PartUse;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Component;

/** What a machine wants: what holds it, what is due on it, looks at its parts, resin that stands too long. */
@Component
class MachineChores {

    private final IdleResin idle;
    private final PartLooks looks;
    private final ShopTime times;
    private final Clock clock;

    MachineChores(IdleResin idle, PartLooks looks, ShopTime times, Clock clock) {
        this.idle = idle;
        this.looks = looks;
        this.times = times;
        this.clock = clock;
    }

    /** @param screens what the screen bench says, by the machine's number */
    List<Work> of(List<MachineNow> machines, Map<Long, ScreenVerdict> screens, Costing.Now costing) {
        List<Work> all = new ArrayList<>();
        List<MachineNow> inService = machines.stream()
                .filter(m -> m.standing().state() != MachineState.OFF)
                .toList();
        for (MachineNow m : inService) {
            m.holds().forEach(h -> all.add(hold(m, h, costing)));
            ends(m, costing).ifPresent(all::add);
            spent(m, screens.get(m.id()), costing).ifPresent(all::add);
            m.standing().concerns().forEach(c -> concern(m, c, costing).ifPresent(all::add));
            look(m, costing).ifPresent(all::add);
            notKnown(m, costing).ifPresent(all::add);
        }
        idle.toReturn(machines)
                .forEach(m -> all.add(Work.of(ChoreKind.RESIN_RETURN, m.code(), "Return its resin")
                        .at(m.code(), m.name(), m.room())
                        .because("It has stood still for long: sieve it back into its bottle before it settles hard.")
                        .costs(costing.costs().flat("RESIN_RETURN"), 0, "Its resin settles a little harder each day.")
                        .doneAt("/machines/" + m.code() + "/pour?kind=RETURN")));
        return all;
    }

    private static Work hold(MachineNow m, Hold hold, Costing.Now costing) {
        ServiceKind next = hold.next() == ServiceKind.FILM_CHANGE && m.kind() == MachineKind.LASER_TANK
                ? ServiceKind.TANK_CHANGE
                : hold.next();
        int minutes = hold.code().minutes();
        return Work.of(ChoreKind.HOLD, m.code() + ":" + hold.code().code(), next.task())
                .at(m.code(), m.name(), m.room())
                .because(hold.text())
                .takes(costing.expected(next, minutes), costing.usual(next, minutes))
                .costs(0, costing.idle(m), m.name() + " could print and must not until it is done.")
                .endsWith(next)
                .doneAt(path(m, next));
    }

    private Optional<Work> ends(MachineNow m, Costing.Now costing) {
        if (m.run() == null || m.run().expectedEnd() == null) {
            return Optional.empty();
        }
        boolean over = m.run().expectedEnd().isBefore(clock.instant());
        return Optional.of(Work.of(
                        ChoreKind.PRINT_ENDS,
                        Long.toString(m.run().id()),
                        over ? "Look in: it should be done" : "Be there when it ends")
                .at(m.code(), m.name(), m.room())
                .because(m.run().job() + (over ? " is over its usual time." : " ends about then."))
                .from(over ? null : m.run().expectedEnd())
                .costs(0, costing.idle(m), "From then on " + m.name() + " could print the next.")
                .doneAt("/runs/" + m.run().id()));
    }

    private Optional<Work> spent(MachineNow m, ScreenVerdict v, Costing.Now costing) {
        boolean change = v != null && v.verdict() == ScreenVerdict.Verdict.CHANGE;
        boolean said = m.standing().concerns().stream()
                .anyMatch(c -> c.task() == ServiceKind.SCREEN_CHANGE && c.level() == MachineState.DUE);
        return change && !said
                ? Optional.of(part(m, ServiceKind.SCREEN_CHANGE, ServiceKind.SCREEN_CHANGE.task(), costing)
                        .because(v.reasons().get(0))
                        .costs(
                                growth(m, PartUse.UsedPart.SCREEN, costing),
                                0,
                                "Each print on it may have a hole where the screen has one.")
                        .doneAt(path(m, ServiceKind.SCREEN_CHANGE)))
                : Optional.empty();
    }

    /** Upkeep that is due, or will be; one that only tells something asks for no hands. */
    private Optional<Work> concern(MachineNow m, Concern c, Costing.Now costing) {
        boolean due = c.level() == MachineState.DUE;
        if (c.task() == null) {
            return c.about().equals("cause")
                    ? Optional.of(Work.of(
                                    ChoreKind.CAUSE,
                                    m.code() + ":"
                                            + Integer.toHexString(c.text().hashCode()),
                                    Brief.of(c))
                            .at(m.code(), m.name(), m.room())
                            .because(c.text())
                            .costs(costing.costs().flat("CAUSE"), 0, "A cause that is not mended comes back.")
                            .notToday()
                            .doneAt("/machines/" + m.code()))
                    : Optional.empty();
        }
        Work.Sheet sheet = part(m, c.task(), Brief.of(c), costing).because(c.text());
        cost(sheet, m, c, costing);
        return Optional.of((due ? sheet : sheet.notToday()).doneAt(path(m, c.task())));
    }

    private static void cost(Work.Sheet sheet, MachineNow m, Concern c, Costing.Now costing) {
        Optional<PartUse> use = m.worn().stream()
                .filter(u -> u.part().prefix().equals(c.about()))
                .findFirst();
        if (use.isEmpty()) {
            sheet.costs(costing.costs().upkeep(m.hoursPerDay()), 0, "Each print without it is a little less sure.");
        } else if (looks(c.task())) {
            sheet.costs(
                    costing.costs().look(use.get(), m.hoursPerDay(), m.uvShare()),
                    0,
                    "Nobody has looked: what would end it in a print is not seen.");
        } else {
            sheet.costs(
                    costing.costs().part(use.get(), m.hoursPerDay(), m.uvShare()),
                    0,
                    "Each print hour on it may be the one in which it ends.");
        }
    }

    private static boolean looks(ServiceKind task) {
        return task == ServiceKind.VAT_INSPECTED || task == ServiceKind.SCREEN_INSPECTED;
    }

    /** On a machine that prints it waits for the end. */
    private static Work.Sheet part(MachineNow m, ServiceKind task, String what, Costing.Now costing) {
        ChoreKind kind = looks(task)
                ? ChoreKind.PART_LOOK
                : task == ServiceKind.LUBRICATION || task == ServiceKind.PLATE_WORK
                        ? ChoreKind.UPKEEP
                        : ChoreKind.PART_CHANGE;
        Work.Sheet sheet = Work.of(kind, m.code() + ":" + task, what)
                .at(m.code(), m.name(), m.room())
                .takes(costing.expected(task, kind.minutes()), costing.usual(task, kind.minutes()))
                .endsWith(task);
        return m.run() == null || !task.asksForStandstill()
                ? sheet
                : sheet.from(m.run().expectedEnd());
    }

    private static double growth(MachineNow m, PartUse.UsedPart part, Costing.Now costing) {
        PartUse use = m.worn(part);
        return use == null ? 0 : costing.costs().part(use, m.hoursPerDay(), m.uvShare());
    }

    private Optional<Work> look(MachineNow m, Costing.Now costing) {
        if (asksAnyway(m)) {
            return Optional.empty();
        }
        return looks.of(m).filter(n -> n.due(clock.instant())).map(n -> part(
                        m,
                        ServiceKind.VAT_INSPECTED,
                        "Look at its " + m.kind().lining().toLowerCase(Locale.ROOT),
                        costing)
                .because((n.lookedAt() == null
                                ? "Nobody looked at it in its "
                                        + Math.round(n.part().usage().hours()) + " h"
                                : "Last looked at " + times.words(n.lookedAt()))
                        + "; a look every " + Math.round(n.everyHours())
                        + " h of printing pays. Do it when the vat is off anyway.")
                .takes(ChoreKind.PART_LOOK.minutes(), ChoreKind.PART_LOOK.minutes())
                .costs(
                        costing.costs().look(n.part(), m.hoursPerDay(), m.uvShare()),
                        0,
                        "A dent that nobody saw ends in a print.")
                .doneAt(path(m, ServiceKind.VAT_INSPECTED)));
    }

    /** It is to be looked at or changed for a reason of more weight, or nobody said what it is. */
    private static boolean asksAnyway(MachineNow m) {
        return m.notKnown().stream().anyMatch(n -> n.about() == NotKnown.About.FILM)
                || m.standing().concerns().stream()
                        .anyMatch(c -> c.task() == ServiceKind.VAT_INSPECTED
                                || c.task() == ServiceKind.FILM_CHANGE
                                || c.task() == ServiceKind.TANK_CHANGE);
    }

    /** One line for all that nobody said of a machine; it leads to where each is done or said. */
    private static Optional<Work> notKnown(MachineNow m, Costing.Now costing) {
        if (m.notKnown().isEmpty()) {
            return Optional.empty();
        }
        List<String> what = m.notKnown().stream().map(n -> n.about().words()).toList();
        String listed = what.size() == 1
                ? what.get(0)
                : String.join("; ", what.subList(0, what.size() - 1)) + "; and " + what.get(what.size() - 1);
        return Optional.of(Work.of(ChoreKind.NOT_KNOWN, m.code(), "Say what is not known")
                .at(m.code(), m.name(), m.room())
                .because("Nobody said " + listed + ". Until then it counts neither for nor against.")
                .costs(costing.costs().flat("NOT_KNOWN"), 0, "Advice about it rests on less than it could.")
                .doneAt("/machines/" + m.code() + "/not-known"));
    }

    /** The page that leads to the guide of a service, or to its form where there is none. */
    private static String path(MachineNow m, ServiceKind kind) {
        return "/machines/" + m.code() + "/do/" + kind.name();
    }
}
