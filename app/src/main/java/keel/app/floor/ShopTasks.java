package keel.app.floor;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.app.air.AirParts;
import keel.app.air.RoomAir;
import keel.app.fleet.ShopTime;
import keel.app.standing.MachineNow;
import keel.app.standing.NotKnown;
import keel.app.standing.PartLooks;
import keel.app.stores.Baths;
import keel.app.stores.Buying;
import keel.app.stores.Finishing;
import keel.app.stores.IdleResin;
import keel.app.stores.Waste;
import keel.core.air.AirPartKind;
import keel.core.standing.MachineState;
import keel.core.standing.ServiceKind;
import keel.core.wash.WashBath;
import org.springframework.stereotype.Component;

/**
 * What needs hands beside the machines: prints to finish, baths to change, resin to return, raw waste, and what is to
 * be bought.
 */
@Component
public class ShopTasks {

    private static final int LOOK_MINUTES = 5;

    private final Finishing finishing;
    private final Baths baths;
    private final IdleResin idle;
    private final Waste waste;
    private final Buying buying;
    private final RoomAir rooms;
    private final AirParts parts;
    private final Baselines baselines;
    private final PartLooks looks;
    private final ShopTime times;
    private final Clock clock;

    ShopTasks(
            Finishing finishing,
            Baths baths,
            IdleResin idle,
            Waste waste,
            Buying buying,
            RoomAir rooms,
            AirParts parts,
            Baselines baselines,
            PartLooks looks,
            ShopTime times,
            Clock clock) {
        this.finishing = finishing;
        this.baths = baths;
        this.idle = idle;
        this.waste = waste;
        this.buying = buying;
        this.rooms = rooms;
        this.parts = parts;
        this.baselines = baselines;
        this.looks = looks;
        this.times = times;
        this.clock = clock;
    }

    public List<Task> all(List<MachineNow> machines) {
        List<Task> tasks = new ArrayList<>();
        List<Baths.Bath> all = baths.all();
        if (!all.isEmpty()) {
            prints(tasks);
            all.stream()
                    .filter(b -> b.filledAt() != null && b.verdict() == WashBath.Verdict.CHANGE)
                    .forEach(b -> tasks.add(new Task(
                            null,
                            "Bath " + b.code(),
                            "Change the bath",
                            b.bath().prints() + " prints since it was filled: it no longer washes clean.",
                            15,
                            null,
                            "/wash#" + b.code())));
        }
        tasks.addAll(of(machines));
        List<Waste.Lot> overdue = waste.overdue();
        if (!overdue.isEmpty()) {
            tasks.add(new Task(
                    null,
                    "Waste",
                    "Cure it or hand it in",
                    overdue.size() == 1
                            ? "Something waits raw for too long."
                            : overdue.size() + " things wait raw for too long.",
                    null,
                    null,
                    "/waste"));
        }
        rooms.alarms()
                .forEach(a -> tasks.add(new Task(
                        null,
                        a.name(),
                        "See to the air",
                        "It was " + a.what() + ".",
                        null,
                        null,
                        "/air/rooms/" + a.room())));
        parts.all().stream()
                .filter(AirParts.AirPart::due)
                .forEach(p -> tasks.add(new Task(
                        null,
                        p.name(),
                        p.kind() == AirPartKind.CARTRIDGE
                                ? "Change the cartridges"
                                : "See to the " + p.kind().words(),
                        p.why(),
                        10,
                        null,
                        "/air/parts/" + p.id() + "/guide")));
        int buy = buying.toBuy();
        if (buy > 0) {
            tasks.add(new Task(
                    null,
                    "Stores",
                    "Order",
                    buy == 1
                            ? "One item has come down to where it is ordered."
                            : buy + " items have come down to where they are ordered.",
                    10,
                    null,
                    "/stores/buying"));
        }
        baselines.task(machines).ifPresent(tasks::add);
        return tasks;
    }

    /** Of these machines only. */
    public List<Task> of(List<MachineNow> machines) {
        List<Task> tasks = new ArrayList<>();
        idle.toReturn(machines)
                .forEach(m -> tasks.add(new Task(
                        m.code(),
                        m.name(),
                        "Return its resin",
                        "It has stood still for long: sieve it back into its bottle before it settles hard.",
                        15,
                        null,
                        "/machines/" + m.code() + "/pour?kind=RETURN")));
        machines.stream()
                .filter(m -> m.standing().state() != MachineState.OFF && !asksAnyway(m))
                .forEach(m -> looks.of(m).filter(n -> n.due(clock.instant())).ifPresent(n -> tasks.add(look(m, n))));
        return tasks;
    }

    /** It is to be looked at or changed for a reason of more weight, or nobody said what it is. */
    private static boolean asksAnyway(MachineNow m) {
        return m.notKnown().stream().anyMatch(n -> n.about() == NotKnown.About.FILM)
                || m.standing().concerns().stream()
                        .anyMatch(c -> c.task() == ServiceKind.VAT_INSPECTED
                                || c.task() == ServiceKind.FILM_CHANGE
                                || c.task() == ServiceKind.TANK_CHANGE);
    }

    private Task look(MachineNow m, PartLooks.NextLook n) {
        String since = n.lookedAt() == null
                ? "Nobody looked at it in its " + Math.round(n.part().usage().hours()) + " h"
                : "Last looked at " + times.words(n.lookedAt());
        return new Task(
                m.code(),
                m.name(),
                "Look at its " + m.kind().lining().toLowerCase(Locale.ROOT),
                since + "; a look every " + Math.round(n.everyHours())
                        + " h of printing pays. Do it when the vat is off anyway.",
                LOOK_MINUTES,
                null,
                "/machines/" + m.code() + "/do/" + ServiceKind.VAT_INSPECTED.name());
    }

    private void prints(List<Task> tasks) {
        List<Finishing.Waiting> open = finishing.open();
        long toWash = open.stream()
                .filter(w -> w.print().stage() == Finishing.Stage.TO_WASH)
                .count();
        open.stream()
                .filter(w -> w.print().stage() != Finishing.Stage.TO_WASH)
                .forEach(w -> tasks.add(new Task(
                        w.print().machine(),
                        w.print().machineName(),
                        next(w),
                        w.print().job()
                                + (w.ready()
                                        ? " is ready for it."
                                        : " is " + w.print().stage().words() + "."),
                        null,
                        w.ready() ? null : w.until(),
                        "/wash")));
        if (toWash > 0) {
            tasks.add(new Task(
                    null,
                    "Wash place",
                    toWash == 1 ? "One print to wash" : toWash + " prints to wash",
                    toWash == 1
                            ? open.stream()
                                            .filter(w -> w.print().stage() == Finishing.Stage.TO_WASH)
                                            .findFirst()
                                            .orElseThrow()
                                            .print()
                                            .job()
                                    + " waits for the bath."
                            : toWash + " prints wait for the bath.",
                    null,
                    null,
                    "/wash"));
        }
    }

    private static String next(Finishing.Waiting w) {
        return switch (w.print().stage()) {
            case DRYING -> w.ready() ? "Cure" : "Dries before the cure";
            case CURING -> "Out of the cure";
            default -> "Out of the bath";
        };
    }
}
