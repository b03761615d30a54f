package keel.app.standing;

import java.time.Clock;
import java.util.EnumMap;
import java.util.Map;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.life.ChangeSchool;
import keel.core.standing.PartUse;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** By which school the shop changes each kind of part before it ends. */
@Service
@Transactional
public class ChangeSchools {

    private final SchoolChoices choices;
    private final Logbook logbook;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    ChangeSchools(SchoolChoices choices, Logbook logbook, ApplicationEventPublisher events, Clock clock) {
        this.choices = choices;
        this.logbook = logbook;
        this.events = events;
        this.clock = clock;
    }

    /** For every kind; by the records where nobody chose. */
    @Transactional(readOnly = true)
    public Map<PartUse.UsedPart, ChangeSchool> all() {
        Map<PartUse.UsedPart, ChangeSchool> schools = new EnumMap<>(PartUse.UsedPart.class);
        for (PartUse.UsedPart part : PartUse.UsedPart.values()) {
            schools.put(part, ChangeSchool.RECORDS);
        }
        choices.findAll(Sort.by("id")).forEach(c -> schools.put(c.kind, c.school));
        return schools;
    }

    /** Keepers choose; the latest choice counts. */
    public void choose(PartUse.UsedPart kind, ChangeSchool school) {
        Actor actor = Actor.require(Role.KEEPER);
        SchoolChoice choice = new SchoolChoice();
        choice.kind = kind;
        choice.school = school;
        choice.madeAt = clock.instant();
        choice.personId = actor.personId();
        choices.save(choice);
        events.publishEvent(new LivesChanged());
        logbook.write(LogDraft.of(
                LogKind.SCHOOL_CHOSEN,
                null,
                "SCHOOL",
                (long) kind.ordinal(),
                clock.instant(),
                kind.several() + " are changed " + school.means() + ".",
                Map.of("kind", kind, "school", school),
                actor));
    }
}
