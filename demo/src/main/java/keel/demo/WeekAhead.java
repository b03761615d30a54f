package keel.demo;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.Presences;
import keel.app.prints.JobEntry;
import keel.app.prints.WantedJobs;
import keel.app.shell.ShopClock;
import org.springframework.stereotype.Component;

/** Who is there when at Saltmarsh, where prints may go on at night, and what waits to be printed. */
@Component
class WeekAhead {

    private static final String GREY = "reed-grey";
    private static final String BLUE = "mussel-blue";
    private static final String AMBER = "cast-amber";
    private static final String TOUGH = "silt-tough";

    private final WantedJobs jobs;
    private final Presences presences;
    private final Fleet fleet;
    private final ShopClock clock;

    WeekAhead(WantedJobs jobs, Presences presences, Fleet fleet, ShopClock clock) {
        this.jobs = jobs;
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
