package keel.app.failures;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.diagnosis.Odds;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Tuning;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The knowledge of failures with the owner's figures in it. Every change is kept; the latest counts. */
@Service
@Transactional
public class TunedKnowledge {

    private static final ObjectMapper JSON = new ObjectMapper();

    private static final Limit SHOWN = Limit.of(20);

    private final Knowledge shipped;
    private final Odds odds;
    private final KnowledgeChanges records;
    private final ShopSettings shop;
    private final Logbook logbook;
    private final Clock clock;

    TunedKnowledge(
            Knowledge shipped, Odds odds, KnowledgeChanges records, ShopSettings shop, Logbook logbook, Clock clock) {
        this.shipped = shipped;
        this.odds = odds;
        this.records = records;
        this.shop = shop;
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
        return records.findFirstByOrderByIdDesc().map(k -> read(k.content)).orElse(Tuning.NONE);
    }

    /** Number of the latest change, 0 before the first. */
    @Transactional(readOnly = true)
    public long latest() {
        return records.latest();
    }

    @Transactional(readOnly = true)
    public List<Change> changes() {
        return records.changes(SHOWN);
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
        odds.check(tuning, shipped, findings);
        findings.when(why != null && why.length() > 400, "why", "The reason may have 400 characters at most.");
        Refused.unless(findings);
        shop.lock();
        if (latest() != after) {
            throw new Conflict(
                    "Somebody changed the knowledge meanwhile. What counts now is shown; yours is not written yet.");
        }
        Instant at = clock.instant();
        KnowledgeChange change = new KnowledgeChange();
        change.madeAt = at;
        change.personId = owner.personId();
        change.why = Typed.orNull(why);
        change.content = write(tuning);
        records.save(change);
        logbook.write(LogDraft.of(
                        LogKind.KNOWLEDGE_TUNED,
                        null,
                        "KNOWLEDGE",
                        change.id,
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
