package keel.demo;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Paging;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.Presences;
import keel.app.prints.JobEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.WantedJobs;
import keel.app.prints.order.OrderEntry;
import keel.app.prints.order.OrderPlates;
import keel.app.prints.order.OrderView;
import keel.app.prints.order.Orders;
import keel.app.prints.order.PartEntry;
import keel.app.shell.ShopClock;
import keel.core.run.Outcome;
import org.springframework.stereotype.Component;

/** Who is there when at Saltmarsh, where prints may go on at night, and what waits to be printed. */
@Component
class WeekAhead {

    private static final String GREY = "reed-grey";
    private static final String BLUE = "mussel-blue";
    private static final String AMBER = "cast-amber";
    private static final String TOUGH = "silt-tough";

    private final WantedJobs jobs;
    private final Orders orders;
    private final OrderPlates plates;
    private final Runs runs;
    private final Presences presences;
    private final Fleet fleet;
    private final ShopClock clock;

    WeekAhead(
            WantedJobs jobs,
            Orders orders,
            OrderPlates plates,
            Runs runs,
            Presences presences,
            Fleet fleet,
            ShopClock clock) {
        this.jobs = jobs;
        this.orders = orders;
        this.plates = plates;
        this.runs = runs;
        this.presences = presences;
        this.fleet = fleet;
        this.clock = clock;
    }

    /** @param dueDays days from today until it should be done, in the afternoon; null without a date */
    private record Waits(
            String name, double hours, String resin, Double ml, Integer dueDays, Double widthMm, Double depthMm) {

        static Waits of(String name, double hours, String resin, Double ml, Integer dueDays) {
            return new Waits(name, hours, resin, ml, dueDays, null, null);
        }
    }

    private static final List<Waits> WAITING = List.of(
            Waits.of("Latch pattern, left", 6.5, GREY, 62.0, 4),
            Waits.of("Latch pattern, right", 6.5, GREY, 62.0, 4),
            Waits.of("Mayfly nymph set", 4.1, GREY, 24.0, 2),
            new Waits("Hinge core box", 11, TOUGH, 180.0, null, 170.0, 90.0),
            Waits.of("Swan mussel, two halves", 14.5, BLUE, 150.0, 5),
            Waits.of("Caddis larva, tray of 20", 9.2, AMBER, 70.0, null),
            Waits.of("Freshwater shrimp, tray of 12", 3.4, BLUE, null, null),
            new Waits("Gate keep pattern", 7.8, TOUGH, 46.0, 3, 140.0, 70.0),
            Waits.of("River limpet tray", 2.6, GREY, 24.0, null),
            Waits.of("Leech on a stone", 5.2, BLUE, 48.0, null),
            new Waits("Foundry sprue set", 18, TOUGH, 240.0, 6, 160.0, 80.0),
            new Waits("Long hinge strap", 12, TOUGH, 95.0, null, 260.0, 60.0));

    void tell(Instant now, Map<String, Actor> actors) {
        clock.tell(now.minus(Duration.ofHours(3)));
        Replay.as(actors.get("keeper"));
        say(actors.get("keeper"), "7:30-16", List.of());
        say(actors.get("operator"), "9-17:30", List.of(DayOfWeek.SATURDAY));
        fleet.nightRuns("annexe", false);
        fleet.nightRuns("long-room", true);
        ZoneId zone = ZoneId.systemDefault();
        Replay.as(actors.get("owner"));
        for (Waits w : WAITING) {
            Instant due = w.dueDays() == null
                    ? null
                    : now.atZone(zone)
                            .toLocalDate()
                            .plusDays(w.dueDays())
                            .atTime(LocalTime.of(15, 0))
                            .atZone(zone)
                            .toInstant();
            jobs.ask(new JobEntry(
                    w.name(),
                    w.hours(),
                    w.resin(),
                    w.ml(),
                    List.of(),
                    due,
                    new JobEntry.Size(w.widthMm(), w.depthMm(), null),
                    null));
        }
        set(now);
    }

    /** The last print of which only some came out was part of a set; one before it too, and a plate waits. */
    private void set(Instant now) {
        List<RunView> ended = runs.list(null, now.minus(Duration.ofDays(120)), now, null, new Paging(0, 500)).stream()
                .filter(r -> !r.open())
                .toList();
        RunView partly = null;
        RunView whole = null;
        for (RunView run : ended) {
            partly = partly == null && run.outcome() == Outcome.PARTIAL ? run : partly;
            boolean same = partly != null && run.job().equals(partly.job()) && run.outcome() == Outcome.GOOD;
            whole = whole == null && same ? run : whole;
        }
        if (partly == null || whole == null) {
            return;
        }
        long order = orders.make(new OrderEntry(
                partly.job() + ", the set",
                now.plus(Duration.ofDays(6)),
                List.of(
                        new PartEntry(null, "Body", 14, 38.0, 24.0, 46.0, 11.5),
                        new PartEntry(null, "Foot", 14, 26.0, 26.0, 14.0, 5.2),
                        new PartEntry(null, "Name plate", 30, 44.0, 6.0, 12.0, 1.4))));
        List<Long> ids =
                orders.one(order).parts().stream().map(OrderView.PartLine::id).toList();
        Map<Long, Integer> six = Map.of(ids.get(0), 4, ids.get(1), 3, ids.get(2), 6);
        plates.put(whole.id(), order, six);
        plates.put(partly.id(), order, six);
        plates.count(partly.id(), Map.of(ids.get(0), 2, ids.get(1), 3, ids.get(2), 5));
        plates.letWait(
                order,
                Map.of(ids.get(0), 5),
                new JobEntry(partly.job() + ", bodies", 4.4, GREY, 58.0, List.of(), null, null, null));
    }

    private void say(Actor actor, String weekdays, List<DayOfWeek> mornings) {
        Map<DayOfWeek, String> week = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            boolean works = day.getValue() <= DayOfWeek.FRIDAY.getValue();
            week.put(day, works ? weekdays : mornings.contains(day) ? "9-13" : "");
        }
        presences.say(actor.personId(), week);
    }
}
