package keel.app.stores;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What hurt somebody, or nearly: written down once the first measures are taken, so that it does not happen again. */
@Service
@Transactional
public class Incidents {

    private static final int MOST_TEXT = 1000;
    private static final Limit SHOWN = Limit.of(200);

    private final Logbook logbook;
    private final IncidentRecords records;
    private final Clock clock;

    Incidents(Logbook logbook, IncidentRecords records, Clock clock) {
        this.logbook = logbook;
        this.records = records;
        this.clock = clock;
    }

    /**
     * @param who whom it happened to, null if nobody was hurt; {@code done} what was done at once, {@code after} what
     *     follows from it
     */
    public record Incident(
            long id,
            IncidentKind kind,
            Instant at,
            String who,
            String happened,
            String done,
            String after,
            String person) {}

    public record Entry(String kind, Instant at, String who, String happened, String done) {}

    @Transactional(readOnly = true)
    public List<Incident> all() {
        return records.latest(SHOWN);
    }

    /** @throws Refused if there is no such kind */
    public IncidentKind kind(String name) {
        return List.of(IncidentKind.values()).stream()
                .filter(k -> k.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new Refused("kind", "Say what happened."));
    }

    public long write(Entry entry) {
        Actor actor = Actor.current();
        IncidentKind kind = kind(entry.kind());
        Instant at = entry.at() == null ? clock.instant() : entry.at();
        Findings findings = new Findings();
        findings.when(at.isAfter(clock.instant().plusSeconds(300)), "at", "That lies in the future.");
        findings.text(entry.happened(), MOST_TEXT, "happened", "What happened");
        findings.when(
                entry.done() != null && entry.done().length() > MOST_TEXT,
                "done",
                "What was done may have 1000 characters at most.");
        findings.when(
                entry.who() != null && entry.who().length() > 80, "who", "The name may have 80 characters at most.");
        Refused.unless(findings);
        IncidentRecord incident = new IncidentRecord();
        incident.kind = kind;
        incident.at = at;
        incident.who = Typed.orNull(entry.who());
        incident.happened = entry.happened().strip();
        incident.done = Typed.orNull(entry.done());
        incident.personId = actor.personId();
        records.save(incident);
        logbook.write(LogDraft.of(
                LogKind.INCIDENT,
                null,
                "INCIDENT",
                incident.id,
                at,
                "Incident, " + kind.words() + ": " + incident.happened,
                Map.of("incident", incident.id, "kind", kind),
                actor));
        return incident.id;
    }

    /** What follows from it, so that it does not happen again. */
    public void follow(long id, String after) {
        Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.text(after, MOST_TEXT, "after", "What follows from it");
        Refused.unless(findings);
        records.findById(id).orElseThrow(() -> new NotThere("There is no incident " + id + ".")).after = after.strip();
    }
}
