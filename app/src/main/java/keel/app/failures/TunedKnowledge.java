package keel.app.failures;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Tuning;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The knowledge of failures with the owner's figures in it. Every change is kept; the latest counts. */
@Service
@Transactional
public class TunedKnowledge {

    private static final ObjectMapper JSON = new ObjectMapper();

    private final Knowledge shipped;
    private final JdbcClient jdbc;
    private final Logbook logbook;
    private final Clock clock;

    TunedKnowledge(Knowledge shipped, JdbcClient jdbc, Logbook logbook, Clock clock) {
        this.shipped = shipped;
        this.jdbc = jdbc;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** A change as it is read. */
    record Change(long id, Instant at, String who, String why) {}

    @Transactional(readOnly = true)
    public Knowledge now() {
        return shipped.tuned(tuning());
    }

    @Transactional(readOnly = true)
    public Tuning tuning() {
        return jdbc.sql("select content from knowledge_change order by id desc fetch first row only")
                .query(String.class)
                .optional()
                .map(TunedKnowledge::read)
                .orElse(Tuning.NONE);
    }

    /** Number of the latest change, 0 before the first. */
    @Transactional(readOnly = true)
    public long latest() {
        return jdbc.sql("select coalesce(max(id), 0) from knowledge_change")
                .query(Long.class)
                .single();
    }

    @Transactional(readOnly = true)
    public List<Change> changes() {
        return jdbc.sql("select k.id, k.made_at, p.name, k.why from knowledge_change k join person p on p.id = "
                        + "k.person_id order by k.id desc fetch first 20 rows only")
                .query((row, i) -> new Change(
                        row.getLong(1),
                        row.getObject(2, OffsetDateTime.class).toInstant(),
                        row.getString(3),
                        row.getString(4)))
                .list();
    }

    /**
     * Puts these figures in force.
     *
     * @param after the latest change when the figures were typed
     * @throws Refused if one of them cannot be
     * @throws Conflict if somebody was quicker
     */
    public void change(Tuning tuning, String why, long after) {
        Actor owner = Actor.require(Role.OWNER);
        Findings findings = new Findings();
        tuning.check(shipped, findings);
        findings.when(why != null && why.length() > 400, "why", "The reason may have 400 characters at most.");
        Refused.unless(findings);
        jdbc.sql("select id from shop where id = 1 for update")
                .query(Integer.class)
                .single();
        if (latest() != after) {
            throw new Conflict(
                    "Somebody changed the knowledge meanwhile. What counts now is shown; yours is not written yet.");
        }
        Instant at = clock.instant();
        jdbc.sql("insert into knowledge_change (made_at, person_id, why, content) values (?, ?, ?, ?)")
                .params(
                        at.atOffset(ZoneOffset.UTC),
                        owner.personId(),
                        why == null || why.isBlank() ? null : why.strip(),
                        write(tuning))
                .update();
        logbook.write(LogDraft.of(
                        LogKind.KNOWLEDGE_TUNED,
                        null,
                        "KNOWLEDGE",
                        latest(),
                        at,
                        "The knowledge of failures was tuned.",
                        Map.of("tuning", tuning),
                        owner)
                .noting(why));
    }

    private static Tuning read(String content) {
        try {
            return JSON.readValue(content, Tuning.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A change of the knowledge cannot be read.", e);
        }
    }

    private static String write(Tuning tuning) {
        try {
            return JSON.writeValueAsString(tuning);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
