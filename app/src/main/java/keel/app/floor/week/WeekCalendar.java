package keel.app.floor.week;

import java.time.Duration;
import java.time.Instant;
import keel.app.standing.MachineNow;
import keel.core.week.WeekPlan;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VAlarm;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.Location;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Trigger;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableAction;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.springframework.stereotype.Component;

/** The week for a calendar (RFC 5545): what is begun when, with a reminder, and what is printing. */
@Component
public class WeekCalendar {

    private static final Duration AHEAD = Duration.ofMinutes(-10);

    private final Reasons reasons;

    WeekCalendar(Reasons reasons) {
        this.reasons = reasons;
    }

    /** @param person name of whom it is for; null for everybody's */
    public String of(WeekPlanned week, String person) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Vigilant Keel//week//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        week.machines().stream()
                .filter(m -> m.run() != null && m.run().expectedEnd() != null)
                .filter(m -> m.run().expectedEnd().isAfter(week.plan().at()))
                .forEach(m -> calendar.add(going(m, week.plan().at())));
        week.plan().slots().stream()
                .filter(s -> person == null || s.person().equals(person))
                .forEach(s -> calendar.add(planned(s, week)));
        return calendar.toString();
    }

    private static VEvent going(MachineNow m, Instant now) {
        VEvent event = event(
                m.run().expectedEnd(),
                m.run().expectedEnd().plus(Duration.ofMinutes(5)),
                m.name() + ": " + m.run().job() + " ends",
                now);
        event.add(new Uid("run-" + m.run().id() + "@vigilant-keel"));
        event.add(new Location(m.roomName()));
        return event;
    }

    private VEvent planned(WeekPlan.Slot s, WeekPlanned week) {
        WeekPlanned.Upkeep upkeep = week.upkeep().get(s.id());
        String what = week.job(s.id()).map(j -> j.name()).orElseGet(() -> upkeep.what());
        VEvent event = event(
                s.startAt(),
                s.endAt(),
                week.machine(s.machine()) + ": " + what,
                week.plan().at());
        event.add(new Uid(s.id().replace(' ', '-').replace(':', '-') + "@vigilant-keel"));
        event.add(new Description(upkeep == null ? "Begun by " + s.person() + ". " + reasons.line(s) : upkeep.why()));
        VAlarm alarm = new VAlarm();
        alarm.add(new Trigger(AHEAD));
        alarm.add(ImmutableAction.DISPLAY);
        alarm.add(new Description(week.machine(s.machine()) + ": " + what));
        event.add(alarm);
        return event;
    }

    private static VEvent event(Instant from, Instant to, String summary, Instant stamp) {
        VEvent event = new VEvent(from, to, summary);
        event.removeIf(p -> p instanceof DtStamp);
        event.add(new DtStamp(stamp));
        return event;
    }
}
