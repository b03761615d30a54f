package keel.app.floor.round;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.bench.Drying;
import keel.app.prints.LookDue;
import keel.app.prints.LookIns;
import keel.app.standing.MachineNow;
import keel.app.stores.Baths;
import keel.app.stores.Finishing;
import keel.core.round.ChoreKind;
import keel.core.round.WaitCosts;
import keel.core.wash.WashBath;
import org.springframework.stereotype.Component;

/** What prints want: looks while they go on, the bath, the cure. */
@Component
class PrintChores {

    private static final Duration LOOKS_AHEAD = Duration.ofMinutes(45);
    private static final int WASH_MINUTES_MORE = 2;

    private final LookIns lookIns;
    private final Finishing finishing;
    private final Baths baths;
    private final Drying drying;
    private final Clock clock;

    PrintChores(LookIns lookIns, Finishing finishing, Baths baths, Drying drying, Clock clock) {
        this.lookIns = lookIns;
        this.finishing = finishing;
        this.baths = baths;
        this.drying = drying;
        this.clock = clock;
    }

    List<Work> all(List<MachineNow> machines, Costing.Now costing) {
        Map<String, MachineNow> byCode = machines.stream().collect(Collectors.toMap(MachineNow::code, m -> m));
        Instant now = clock.instant();
        List<Work> all = new ArrayList<>();
        lookIns.due(now.plus(LOOKS_AHEAD)).stream()
                .filter(l -> byCode.containsKey(l.machine()))
                .forEach(l -> all.add(look(l, byCode.get(l.machine()), costing, now)));
        drying.now().stream()
                .filter(d -> byCode.containsKey(d.machine()))
                .forEach(d -> all.add(dries(d, byCode.get(d.machine()), costing, now)));
        return all;
    }

    /** What is at the wash place; nothing where nobody keeps a bath. */
    List<Work> washPlace(Costing.Now costing) {
        List<Baths.Bath> kept = baths.all();
        if (kept.isEmpty()) {
            return List.of();
        }
        List<Work> all = new ArrayList<>();
        List<Finishing.Waiting> open = finishing.open();
        List<Finishing.Print> toWash = open.stream()
                .map(Finishing.Waiting::print)
                .filter(p -> p.stage() == Finishing.Stage.TO_WASH)
                .toList();
        open.stream()
                .filter(w -> w.print().stage() != Finishing.Stage.TO_WASH)
                .forEach(w -> all.add(goesOn(w, costing)));
        if (!toWash.isEmpty()) {
            all.add(wash(toWash, costing));
        }
        kept.stream()
                .filter(b -> b.filledAt() != null && b.verdict() == WashBath.Verdict.CHANGE)
                .forEach(b -> all.add(bath(b, toWash, costing)));
        return all;
    }

    private static Work look(LookDue l, MachineNow m, Costing.Now costing, Instant now) {
        boolean due = !l.dueAt().isAfter(now);
        return Work.of(ChoreKind.LOOK_IN, Long.toString(l.run()), "Look in")
                .at(l.machine(), l.machineName(), m.room())
                .because(l.kind().words() + ": " + l.job() + ", about layer " + l.layer() + ".")
                .from(due ? null : l.dueAt())
                .costs(
                        costing.costs().unseen(costing.failed().get(l.machine())),
                        0,
                        due
                                ? "If it has failed, it wastes resin and hours until somebody sees it; due "
                                        + ago(l.dueAt(), now) + " ago."
                                : "If it fails by then, a look is where it is seen.")
                .doneAt("/runs/" + l.run() + "/now");
    }

    private static Work dries(Drying.Lot d, MachineNow m, Costing.Now costing, Instant now) {
        boolean dry = !d.until().isAfter(now);
        return Work.of(
                        ChoreKind.CURE,
                        d.run() == null ? d.machine() : Long.toString(d.run()),
                        dry ? "Cure" : "Dries before the cure")
                .at(d.machine(), d.machineName(), m.room())
                .because((d.job() == null ? "Parts" : d.job()) + (dry ? " should be dry." : " is not dry before then."))
                .from(dry ? null : d.until())
                .costs(
                        costing.costs().spoils(WaitCosts.Stage.DRY, 0),
                        0,
                        dry ? "Dry parts stay soft until they are cured." : "Cured before it is dry it turns white.")
                .doneAt(d.run() == null ? "/machines/" + d.machine() : "/runs/" + d.run());
    }

    private Work goesOn(Finishing.Waiting w, Costing.Now costing) {
        Finishing.Print p = w.print();
        boolean dries = p.stage() == Finishing.Stage.DRYING;
        return Work.of(dries ? ChoreKind.CURE : ChoreKind.OUT_OF_BATH, Long.toString(p.run()), next(w))
                .at(p.machine(), p.machineName(), null)
                .because(p.job()
                        + (w.ready() ? " is ready for it." : " is " + p.stage().words() + "."))
                .from(w.ready() ? null : w.until())
                .tail(dries ? costing.defaults().value("cure.minutes") + ChoreKind.OUT_OF_BATH.minutes() : 0)
                .costs(costing.costs().spoils(stage(p), p.printMl()), 0, why(w))
                .doneAt("/wash");
    }

    private String why(Finishing.Waiting w) {
        String over = w.ready() && w.until() != null ? ", " + ago(w.until(), clock.instant()) + " over its time" : "";
        return switch (w.print().stage()) {
            case DRYING ->
                w.ready() ? "Dry parts stay soft until they are cured." : "Cured before it is dry it turns white.";
            case CURING -> "Under the lamp it turns brittle" + over + ".";
            default -> "In the bath it swells and softens" + over + ".";
        };
    }

    private static WaitCosts.Stage stage(Finishing.Print p) {
        return switch (p.stage()) {
            case DRYING -> WaitCosts.Stage.DRY;
            case CURING -> WaitCosts.Stage.CURED;
            default -> WaitCosts.Stage.BATH;
        };
    }

    private static String next(Finishing.Waiting w) {
        return switch (w.print().stage()) {
            case DRYING -> w.ready() ? "Cure" : "Dries before the cure";
            case CURING -> "Out of the cure";
            default -> "Out of the bath";
        };
    }

    private static Work wash(List<Finishing.Print> prints, Costing.Now costing) {
        int n = prints.size();
        int minutes = ChoreKind.WASH.minutes() + WASH_MINUTES_MORE * (n - 1);
        return Work.of(ChoreKind.WASH, "all", n == 1 ? "One print to wash" : n + " prints to wash")
                .about("Wash place", null)
                .because(n == 1 ? prints.get(0).job() + " waits for the bath." : n + " prints wait for the bath.")
                .takes(minutes, minutes)
                .tail(costing.defaults().value("wash.seconds") / 60 + ChoreKind.OUT_OF_BATH.minutes())
                .costs(
                        prints.stream()
                                .mapToDouble(p -> costing.costs().spoils(WaitCosts.Stage.WET, p.printMl()))
                                .sum(),
                        0,
                        "Wet resin thickens on a part, and light cures it there.")
                .doneAt("/wash");
    }

    private static Work bath(Baths.Bath b, List<Finishing.Print> toWash, Costing.Now costing) {
        double ml =
                toWash.stream().mapToDouble(Finishing.Print::printMl).average().orElse(0);
        double perDay = b.filledAt() == null ? 0 : Math.max(1, toWash.size());
        return Work.of(ChoreKind.BATH, b.code(), "Change the bath")
                .about("Bath " + b.code(), null)
                .because(b.bath().prints() + " prints since it was filled: it no longer washes clean.")
                .costs(
                        costing.costs().spentBath(perDay, ml),
                        0,
                        "What goes through it may stay tacky and has to be washed again.")
                .doneAt("/wash#" + b.code());
    }

    private static String ago(Instant then, Instant now) {
        long minutes = Math.max(0, Duration.between(then, now).toMinutes());
        return minutes < 60
                ? minutes + " min"
                : minutes < 60 * 48 ? minutes / 60 + " h" : minutes / (60 * 24) + " days";
    }
}
