package keel.app.floor.round;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import keel.app.air.AirParts;
import keel.app.air.RoomAir;
import keel.app.fleet.ShopTime;
import keel.app.floor.Baselines;
import keel.app.guides.Guides;
import keel.app.guides.OpenGuide;
import keel.app.people.Role;
import keel.app.shell.DailyBackups;
import keel.app.standing.MachineNow;
import keel.app.stores.Buying;
import keel.app.stores.Waste;
import keel.core.air.AirPartKind;
import keel.core.round.ChoreKind;
import org.springframework.stereotype.Component;

/** What the shop wants beside machines and prints: guides put down, air, waste, orders, baselines, backups. */
@Component
class ShopChores {

    private static final Duration REMEMBERED = Duration.ofDays(14);

    private final Guides guides;
    private final Waste waste;
    private final Buying buying;
    private final RoomAir rooms;
    private final AirParts parts;
    private final Baselines baselines;
    private final DailyBackups backups;
    private final ShopTime times;
    private final OpenVerdicts verdicts;
    private final Clock clock;

    ShopChores(
            Guides guides,
            Waste waste,
            Buying buying,
            RoomAir rooms,
            AirParts parts,
            Baselines baselines,
            DailyBackups backups,
            ShopTime times,
            OpenVerdicts verdicts,
            Clock clock) {
        this.guides = guides;
        this.waste = waste;
        this.buying = buying;
        this.rooms = rooms;
        this.parts = parts;
        this.baselines = baselines;
        this.backups = backups;
        this.times = times;
        this.verdicts = verdicts;
        this.clock = clock;
    }

    /** A guide that somebody put down at a machine, or at none where {@code machines} are all there are. */
    List<Work> begun(List<MachineNow> machines, Costing.Now costing) {
        return guides.open().stream()
                .map(g -> begun(
                        g,
                        machines.stream()
                                .filter(m -> m.code().equals(g.machine()))
                                .findFirst()
                                .orElse(null),
                        costing))
                .toList();
    }

    private static Work begun(OpenGuide g, MachineNow m, Costing.Now costing) {
        boolean stands = m != null && m.run() == null;
        Work.Sheet sheet = Work.of(ChoreKind.GUIDE_OPEN, Long.toString(g.id()), g.name() + ": go on")
                .because("Put down at \"" + g.step() + "\" by " + g.touchedBy() + ".")
                .costs(
                        stands ? 0 : costing.costs().flat("RULE_SOME"),
                        stands ? costing.idle(m) : 0,
                        stands ? m.name() + " stands half done." : "It is half done.");
        return (m == null ? sheet.about(g.machineName(), null) : sheet.at(m.code(), m.name(), m.room()))
                .doneAt("/guides/" + g.id());
    }

    /** @param role of whoever asks: some things only an owner sees to */
    List<Work> all(List<MachineNow> machines, Role role, Costing.Now costing) {
        List<Work> all = new ArrayList<>();
        air(all, costing);
        all.addAll(verdicts(costing));
        List<Waste.Lot> overdue = waste.overdue();
        if (!overdue.isEmpty()) {
            all.add(Work.of(ChoreKind.WASTE, "all", "Cure it or hand it in")
                    .about("Waste", null)
                    .because(
                            overdue.size() == 1
                                    ? "Something waits raw for too long."
                                    : overdue.size() + " things wait raw for too long.")
                    .costs(costing.costs().flat("WASTE"), 0, "Raw resin in a tray is touched, spilled, or set hard.")
                    .doneAt("/waste"));
        }
        orders(all, costing);
        baselines
                .lacking(machines)
                .ifPresent(text -> all.add(Work.of(ChoreKind.BASELINE, "all", "Take what is missing")
                        .about("Baselines", null)
                        .because(text)
                        .costs(
                                costing.costs().flat("BASELINE"),
                                0,
                                "What is not measured while it is good cannot be compared.")
                        .doneAt("/bench/baselines")));
        String late = role.atLeast(Role.OWNER) ? backups.shelf().warning() : null;
        if (late != null) {
            all.add(Work.of(ChoreKind.BACKUP, "all", "Make a backup")
                    .about("Backups", null)
                    .because(late)
                    .costs(costing.costs().flat("BACKUP"), 0, "If the disk fails, what was entered since is lost.")
                    .doneAt("/setup/backups"));
        }
        return all;
    }

    /** A cause is said while somebody remembers; after so long nobody is asked any more. */
    private List<Work> verdicts(Costing.Now costing) {
        return verdicts.since(clock.instant().minus(REMEMBERED)).stream()
                .map(v -> Work.of(ChoreKind.VERDICT, Long.toString(v.failure()), "Say what the cause was")
                        .at(v.machine(), v.name(), v.room())
                        .because("It failed " + times.words(v.at()) + ", and nobody has named a cause yet.")
                        .costs(costing.costs().flat("CAUSE"), 0, "What is not mended comes back.")
                        .doneAt("/failures/" + v.failure()))
                .toList();
    }

    private void air(List<Work> all, Costing.Now costing) {
        rooms.alarms().forEach(a -> all.add(alarm(a, costing)));
        parts.all().stream()
                .filter(AirParts.AirPart::due)
                .forEach(p -> all.add(Work.of(
                                ChoreKind.AIR_PART,
                                Long.toString(p.id()),
                                p.kind() == AirPartKind.CARTRIDGE
                                        ? "Change the cartridges"
                                        : "See to the " + p.kind().words())
                        .about(p.name(), p.room())
                        .because(p.why())
                        .costs(costing.costs().flat("AIR_PART"), 0, "The room clears more slowly until then.")
                        .doneAt("/air/parts/" + p.id() + "/guide")));
    }

    private static Work alarm(RoomAir.Alarm a, Costing.Now costing) {
        ChoreKind kind = a.breathed() ? ChoreKind.AIR_ALARM : ChoreKind.ROOM_CLIMATE;
        return Work.of(kind, a.room(), a.breathed() ? "See to the air" : "See to the room's warmth")
                .about(a.name(), a.room())
                .because("It was " + a.what() + ".")
                .costs(
                        costing.costs().flat(kind.name()),
                        0,
                        a.breathed() ? "Somebody breathes it." : "Resin out of its range prints badly.")
                .doneAt("/air/rooms/" + a.room());
    }

    private void orders(List<Work> all, Costing.Now costing) {
        Buying.ToBuy buy = buying.toBuy();
        if (buy.items() > 0) {
            all.add(Work.of(ChoreKind.BUY, "all", "Order")
                    .about("Stores", null)
                    .because(
                            buy.items() == 1
                                    ? "One item has come down to where it is ordered."
                                    : buy.items() + " items have come down to where they are ordered.")
                    .costs(buy.costPerHour(), 0, "Each hour comes off the time that is left before it runs out.")
                    .doneAt("/stores/buying"));
        }
        buying.overdue()
                .forEach(o -> all.add(Work.of(ChoreKind.RECEIVE, Long.toString(o.id()), "Did it come?")
                        .about(o.name(), null)
                        .because("Ordered " + times.day(o.orderedAt()) + ", expected " + times.day(o.expectedAt())
                                + ". Put it in, or ask where it is.")
                        .costs(costing.costs().flat("RULE_LITTLE"), 0, "Until then it is not counted as there.")
                        .doneAt("/stores/buying")));
    }
}
