package keel.app.stores;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
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
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What hurt somebody, or nearly: written down once the first measures are taken, so that it does not happen again. */
@Service
@Transactional
public class Incidents {

    private static final int MOST_TEXT = 1000;

    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    Incidents(Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.logbook = logbook;
        this.jdbc = jdbc;
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
        return jdbc.sql("select i.id, i.kind, i.at, i.who, i.happened, i.done, i.after, p.name from incident i join "
                        + "person p on p.id = i.person_id order by i.at desc, i.id desc fetch first 200 rows only")
                .query((row, i) -> new Incident(
                        row.getLong(1),
                        IncidentKind.valueOf(row.getString(2)),
                        row.getObject(3, OffsetDateTime.class).toInstant(),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getString(7),
                        row.getString(8)))
                .list();
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
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        jdbc.sql("insert into incident (kind, at, who, happened, done, person_id) values (?, ?, ?, ?, ?, ?)")
                .params(
                        kind.name(),
                        at.atOffset(ZoneOffset.UTC),
                        Typed.orNull(entry.who()),
                        entry.happened().strip(),
                        Typed.orNull(entry.done()),
                        actor.personId())
                .update(key, "id");
        long id = key.getKeyAs(Long.class);
        logbook.write(LogDraft.of(
                LogKind.INCIDENT,
                null,
                "INCIDENT",
                id,
                at,
                "Incident, " + kind.words() + ": " + entry.happened().strip(),
                Map.of("incident", id, "kind", kind),
                actor));
        return id;
    }

    /** What follows from it, so that it does not happen again. */
    public void follow(long id, String after) {
        Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.text(after, MOST_TEXT, "after", "What follows from it");
        Refused.unless(findings);
        if (jdbc.sql("update incident set after = ? where id = ?")
                        .params(after.strip(), id)
                        .update()
                == 0) {
            throw new NotThere("There is no incident " + id + ".");
        }
    }
}
