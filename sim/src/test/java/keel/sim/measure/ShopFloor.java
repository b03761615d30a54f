package keel.sim.measure;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import keel.core.round.Chore;
import keel.core.round.ChoreKind;
import keel.core.round.WaitCosts;
import keel.core.standing.Defaults;
import keel.sim.chance.Chance;
import keel.sim.shop.Happening;

/**
 * Work in a simulated shop, done by one person between eight and five: what comes up when, what it truly costs while it
 * waits, and what it cost where somebody worked it off in some order. What comes up is that of the shop's history; what
 * follows from a piece of work comes up once that is done.
 */
final class ShopFloor {

    private static final LocalTime OPENS = LocalTime.of(8, 0);
    private static final LocalTime CLOSES = LocalTime.of(17, 0);
    private static final double SPREAD = 0.35;
    private static final double WALK = WaitCosts.changeMinutes();
    private static final WaitCosts COSTS = new WaitCosts(Defaults.shipped());
    private static final double MACHINE_HOUR = Defaults.shipped().value("machine.hourValue");

    /** Chooses the next of what is there; null where all of it waits for tomorrow. */
    interface Order {
        Job next(List<Job> there, Instant now, String room);
    }

    /**
     * A piece of work.
     *
     * @param expected what is known of its cost an hour, {@code truly} what it is
     * @param usual minutes as known, {@code takes} as they will be
     */
    record Job(
            String key,
            ChoreKind kind,
            String machine,
            String room,
            Instant from,
            Chore.Waiting expected,
            double truly,
            double usual,
            double takes,
            List<Follow> then) {

        private double tail() {
            return kind == ChoreKind.WASH ? 10 : kind == ChoreKind.CURE ? 11 : 0;
        }

        Chore chore() {
            return new Chore(
                    key,
                    kind,
                    machine,
                    key,
                    key,
                    "",
                    usual,
                    (int) usual,
                    room,
                    from,
                    null,
                    expected,
                    tail(),
                    true,
                    "/");
        }
    }

    /** What comes up so many minutes after something was done. */
    record Follow(double afterMinutes, Job job) {}

    private final PriorityQueue<Job> coming = new PriorityQueue<>(Comparator.comparing(Job::from));
    private final Map<String, Double> busy = new HashMap<>();
    private final Chance chance;
    private double cost;
    private double least;
    private int done;

    ShopFloor(List<Happening> happenings, Chance chance) {
        this.chance = chance;
        double days = Duration.between(
                                happenings.get(0).at(),
                                happenings.get(happenings.size() - 1).at())
                        .toHours()
                / 24.0;
        for (Happening h : happenings) {
            if (h instanceof Happening.RunDone r) {
                busy.merge(r.machine(), Duration.between(r.startedAt(), r.at()).toMinutes() / 60.0 / days, Double::sum);
            }
        }
        happenings.forEach(this::comes);
    }

    private void comes(Happening h) {
        if (h instanceof Happening.RunDone r) {
            run(r);
        } else if (h instanceof Happening.FailureSeen f) {
            add(job("clean " + f.key(), ChoreKind.HOLD, f.machine(), f.at(), idle(f.machine()), 25, List.of()));
        } else if (h instanceof Happening.ServiceDone s && s.kind().equals("FILM_CHANGE")) {
            add(job(
                    "film " + s.machine() + s.at(),
                    ChoreKind.PART_CHANGE,
                    s.machine(),
                    s.at().minus(Duration.ofDays(1)),
                    new Chore.Waiting(0.35, 0, ""),
                    50,
                    List.of()));
        } else if (h instanceof Happening.ServiceDone s && s.kind().equals("LUBRICATION")) {
            add(job(
                    "oil " + s.machine() + s.at(),
                    ChoreKind.UPKEEP,
                    s.machine(),
                    s.at().minus(Duration.ofDays(1)),
                    new Chore.Waiting(COSTS.upkeep(busy.getOrDefault(s.machine(), 4.0)), 0, ""),
                    8,
                    List.of()));
        }
    }

    private void run(Happening.RunDone r) {
        double ml = r.resinMl();
        boolean good = r.outcome().equals("GOOD") || r.outcome().equals("USABLE");
        List<Follow> wash = good ? List.of(new Follow(0, wash(r, ml))) : List.of();
        add(job("off " + r.key(), ChoreKind.PRINT_ENDS, r.machine(), r.at(), idle(r.machine()), 5, wash));
        double hours = Duration.between(r.startedAt(), r.at()).toMinutes() / 60.0;
        for (double at = 0.4; at < hours; at = at < 1 ? 4 : at + 4) {
            Instant due = r.startedAt().plus(Duration.ofMinutes(Math.round(60 * at)));
            Job look = job(
                    "look " + r.key() + at,
                    ChoreKind.LOOK_IN,
                    r.machine(),
                    due,
                    new Chore.Waiting(COSTS.unseen(null), 0, ""),
                    1,
                    List.of());
            boolean failing = !good && r.reachedLayer() != null && at > hours * 0.3;
            add(with(look, failing ? COSTS.unseen(1.0) : 0));
        }
    }

    private Job wash(Happening.RunDone r, double ml) {
        Job uncured =
                beside("cured " + r.key(), ChoreKind.OUT_OF_BATH, spoils(WaitCosts.Stage.CURED, ml), 3, List.of());
        Job cure = beside(
                "cure " + r.key(), ChoreKind.CURE, spoils(WaitCosts.Stage.DRY, ml), 4, List.of(new Follow(8, uncured)));
        Job out = beside(
                "out " + r.key(),
                ChoreKind.OUT_OF_BATH,
                spoils(WaitCosts.Stage.BATH, ml),
                3,
                List.of(new Follow(120, cure)));
        return beside(
                "wash " + r.key(), ChoreKind.WASH, spoils(WaitCosts.Stage.WET, ml), 6, List.of(new Follow(7, out)));
    }

    private static Chore.Waiting spoils(WaitCosts.Stage stage, double ml) {
        return new Chore.Waiting(COSTS.spoils(stage, ml), 0, "");
    }

    private Chore.Waiting idle(String machine) {
        return new Chore.Waiting(0, COSTS.idle(busy.getOrDefault(machine, 0.0)), "");
    }

    private Job job(
            String key,
            ChoreKind kind,
            String machine,
            Instant from,
            Chore.Waiting costs,
            double usual,
            List<Follow> then) {
        double truly = costs.idlePerHour() > 0
                ? chance.happens(costs.idlePerHour() / MACHINE_HOUR) ? MACHINE_HOUR : 0
                : costs.perHour();
        String room = machine == null ? null : "room " + machine.charAt(machine.length() - 1) % 2;
        return new Job(key, kind, machine, room, from, costs, truly, usual, chance.logNormal(usual, SPREAD), then);
    }

    private Job beside(String key, ChoreKind kind, Chore.Waiting costs, double usual, List<Follow> then) {
        return job(key, kind, null, Instant.MAX, costs, usual, then);
    }

    private static Job with(Job j, double truly) {
        return new Job(
                j.key(),
                j.kind(),
                j.machine(),
                j.room(),
                j.from(),
                j.expected(),
                truly,
                j.usual(),
                j.takes(),
                j.then());
    }

    private static Job at(Job j, Instant from) {
        return new Job(
                j.key(),
                j.kind(),
                j.machine(),
                j.room(),
                from,
                j.expected(),
                j.truly(),
                j.usual(),
                j.takes(),
                j.then());
    }

    private void add(Job job) {
        coming.add(job);
    }

    /** Works all of it off; answers what all the waiting cost. */
    double work(Order order) {
        List<Job> there = new ArrayList<>();
        Instant now = open(coming.element().from());
        String room = null;
        while (!coming.isEmpty() || !there.isEmpty()) {
            take(now, there);
            if (there.isEmpty()) {
                now = open(coming.element().from());
                continue;
            }
            Job next = order.next(there, now, room);
            if (next == null) {
                now = now.plus(Duration.ofMinutes(5));
                now = open(now);
                continue;
            }
            there.remove(next);
            boolean walks = room != null && next.room() != null && !room.equals(next.room());
            now = now.plusSeconds(Math.round(60 * (next.takes() + (walks ? WALK : 0))));
            room = next.room() == null ? room : next.room();
            cost += next.truly() * Duration.between(next.from(), now).toSeconds() / 3600.0;
            least += next.truly()
                    * (Duration.between(next.from(), open(next.from())).toSeconds() / 3600.0 + next.takes() / 60);
            done++;
            Instant end = now;
            next.then().forEach(f -> add(at(f.job(), end.plusSeconds(Math.round(60 * f.afterMinutes())))));
            now = open(now);
        }
        return cost;
    }

    /** Minutes until the shop closes. */
    static double left(Instant now) {
        ZonedDateTime then = now.atZone(ZoneOffset.UTC);
        return Duration.between(then, then.with(CLOSES)).toSeconds() / 60.0;
    }

    /** What waits for the morning, and takes its time, costs in any order. */
    double least() {
        return least;
    }

    int done() {
        return done;
    }

    private void take(Instant now, List<Job> there) {
        while (!coming.isEmpty() && !coming.element().from().isAfter(now)) {
            there.add(coming.remove());
        }
    }

    /** That moment, or the next at which somebody is there. */
    private static Instant open(Instant at) {
        ZonedDateTime then = at.atZone(ZoneOffset.UTC);
        ZonedDateTime opens = then.with(OPENS);
        return then.isBefore(opens)
                ? opens.toInstant()
                : then.toLocalTime().isBefore(CLOSES) ? at : opens.plusDays(1).toInstant();
    }
}
