package keel.app.people;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.core.Findings;
import keel.core.week.HoursText;
import keel.core.week.WorkHours;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** When people are there: their hours of each week, and days on which they or everybody are not. */
@Service
@Transactional
public class Presences {

    private final WorkHourRecords records;
    private final Persons persons;
    private final Logbook logbook;
    private final EntityManager entities;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Presences(
            WorkHourRecords records,
            Persons persons,
            Logbook logbook,
            EntityManager entities,
            ApplicationEventPublisher events,
            Clock clock) {
        this.records = records;
        this.persons = persons;
        this.logbook = logbook;
        this.entities = entities;
        this.events = events;
        this.clock = clock;
    }

    /** A person's week as it is shown and typed; {@code days} by weekday, empty where they are not there. */
    public record Week(long person, String name, Map<DayOfWeek, String> days) {

        public boolean any() {
            return days.values().stream().anyMatch(d -> !d.isEmpty());
        }
    }

    /** @param name of whoever is away; null for everybody */
    public record AwayView(long id, String name, LocalDate from, LocalDate to, String note) {}

    /** Everybody who is active, by name. */
    @Transactional(readOnly = true)
    public List<Week> weeks() {
        Map<Long, List<WorkHour>> hours = records.findAll().stream().collect(Collectors.groupingBy(h -> h.personId));
        return persons.findAllByOrderByActiveDescNameAsc().stream()
                .filter(p -> p.active)
                .map(p -> new Week(p.id, p.name, days(hours.getOrDefault(p.id, List.of()))))
                .toList();
    }

    private static Map<DayOfWeek, String> days(List<WorkHour> hours) {
        Map<DayOfWeek, String> days = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            days.put(day, HoursText.words(of(hours, day)));
        }
        return days;
    }

    private static List<WorkHours.Hours> of(List<WorkHour> hours, DayOfWeek day) {
        return hours.stream()
                .filter(h -> h.weekday == day)
                .sorted(Comparator.comparingInt(h -> h.fromMinute))
                .map(WorkHour::hours)
                .toList();
    }

    /** To plan by; empty while nobody said anything. */
    @Transactional(readOnly = true)
    public List<WorkHours> known() {
        Map<Long, List<WorkHour>> hours = records.findAll().stream().collect(Collectors.groupingBy(h -> h.personId));
        List<DaysAway> away = records.away(yesterday());
        return persons.findAllByOrderByActiveDescNameAsc().stream()
                .filter(p -> p.active && hours.containsKey(p.id))
                .map(p -> new WorkHours(
                        p.name,
                        Stream.of(DayOfWeek.values())
                                .flatMap(d -> of(hours.get(p.id), d).stream())
                                .toList(),
                        away.stream()
                                .filter(a -> a.personId == null || a.personId.equals(p.id))
                                .map(a -> new WorkHours.Away(a.fromDay, a.toDay))
                                .toList()))
                .toList();
    }

    /** Days on which nobody is there, for who plans by the usual hours. */
    @Transactional(readOnly = true)
    public List<WorkHours.Away> closed() {
        return records.away(yesterday()).stream()
                .filter(a -> a.personId == null)
                .map(a -> new WorkHours.Away(a.fromDay, a.toDay))
                .toList();
    }

    /** Those that are not over. */
    @Transactional(readOnly = true)
    public List<AwayView> away() {
        Map<Long, String> names = persons.findAll().stream().collect(Collectors.toMap(p -> p.id, p -> p.name));
        return records.away(yesterday()).stream()
                .map(a -> new AwayView(
                        a.id,
                        a.personId == null ? null : names.get(a.personId),
                        a.fromDay,
                        a.toDay,
                        a.note == null ? "" : a.note))
                .toList();
    }

    /** The shop's zone is never further away than a day. */
    private LocalDate yesterday() {
        return clock.instant().atZone(ZoneOffset.UTC).toLocalDate().minusDays(1);
    }

    /**
     * Says when a person is there, all of the week at once; one's own hours anybody may say, those of others a keeper.
     *
     * @param typed by weekday; those left out are days off
     * @throws Refused naming each day that cannot be read
     */
    public void say(long person, Map<DayOfWeek, String> typed) {
        Actor actor = mayFor(person);
        Person of = persons.findById(person)
                .filter(p -> p.active)
                .orElseThrow(() -> new NotThere("There is nobody of that number."));
        Findings findings = new Findings();
        List<WorkHours.Hours> all = new ArrayList<>();
        for (DayOfWeek day : DayOfWeek.values()) {
            try {
                all.addAll(HoursText.read(day, typed.get(day)));
            } catch (IllegalArgumentException e) {
                findings.add(day.name(), e.getMessage());
            }
        }
        Refused.unless(findings);
        records.deleteAll(records.findByPersonId(person));
        all.forEach(h -> {
            WorkHour hour = new WorkHour();
            hour.personId = person;
            hour.weekday = h.day();
            hour.fromMinute = WorkHour.minute(h.from());
            hour.toMinute = WorkHour.minute(h.to());
            records.save(hour);
        });
        note(person, "Hours of " + of.name + " are said.", typed, actor);
    }

    private static Actor mayFor(Long person) {
        Actor actor = Actor.current();
        return person != null && actor.personId() == person ? actor : Actor.require(Role.KEEPER);
    }

    /** @param person null for everybody */
    public void away(Long person, LocalDate from, LocalDate to, String note) {
        Actor actor = mayFor(person);
        Findings findings = new Findings();
        findings.when(from == null, "from", "The first day is missing, like 2026-03-05.");
        LocalDate last = to == null ? from : to;
        findings.when(from != null && last.isBefore(from), "to", "The last day lies before the first.");
        findings.when(
                from != null && last.isAfter(from.plusYears(1)), "to", "Nobody is away for more than a year at once.");
        findings.when(note != null && note.length() > 200, "note", "The note is longer than 200 characters.");
        Refused.unless(findings);
        DaysAway days = new DaysAway();
        days.personId = person;
        days.fromDay = from;
        days.toDay = last;
        days.note = note == null || note.isBlank() ? null : note.strip();
        entities.persist(days);
        note(
                person == null ? 0 : person,
                (person == null ? "Nobody is there" : "Somebody is away") + " from " + from + " to " + last + ".",
                Map.of("from", from.toString(), "to", last.toString()),
                actor);
    }

    public void takeBack(long id) {
        DaysAway days = records.awayOne(id);
        if (days == null) {
            throw new NotThere("There are no such days away.");
        }
        Actor actor = mayFor(days.personId);
        if (days.takenBackAt == null) {
            days.takenBackAt = clock.instant();
            note(
                    days.personId == null ? 0 : days.personId,
                    "Not away after all from " + days.fromDay + " to " + days.toDay + ".",
                    Map.of("from", days.fromDay.toString()),
                    actor);
        }
    }

    private void note(long subject, String text, Object content, Actor actor) {
        Instant now = clock.instant();
        events.publishEvent(new PresenceChanged());
        logbook.write(LogDraft.of(LogKind.HOURS, null, "PERSON", subject, now, text, content, actor));
    }
}
