package keel.app.failures;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.People;
import keel.app.standing.Footprints;
import keel.app.standing.Occupancy;
import keel.app.standing.Rebuild;
import keel.core.failure.Certainty;
import keel.core.knowledge.Knowledge;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionOperations;

/**
 * Verdicts of versions that asked only for the next good print are judged anew, once: a cause that explains nothing of
 * what was seen is presumed again. Each change is in the logbook. Goes on where it was interrupted.
 */
@Component
class VerdictsAnew {

    private static final Logger LOG = LoggerFactory.getLogger(VerdictsAnew.class);
    private static final Limit AT_ONCE = Limit.of(25);

    private final FailureRecords records;
    private final Failures failures;
    private final Judging judging;
    private final Footprints footprints;
    private final Occupancy occupancy;
    private final Rebuild rebuild;
    private final Logbook logbook;
    private final People people;
    private final Knowledge knowledge;
    private final TransactionOperations transactions;

    VerdictsAnew(
            FailureRecords records,
            Failures failures,
            Judging judging,
            Footprints footprints,
            Occupancy occupancy,
            Rebuild rebuild,
            Logbook logbook,
            People people,
            Knowledge knowledge,
            TransactionOperations transactions) {
        this.records = records;
        this.failures = failures;
        this.judging = judging;
        this.footprints = footprints;
        this.occupancy = occupancy;
        this.rebuild = rebuild;
        this.logbook = logbook;
        this.people = people;
        this.knowledge = knowledge;
        this.transactions = transactions;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        if (!records.notJudged(Limit.of(1)).isEmpty()) {
            Thread thread = new Thread(this::quietly, "verdicts-anew");
            thread.setDaemon(true);
            thread.start();
        }
    }

    private void quietly() {
        try {
            LOG.info("{} verdicts were judged anew; what changed is in the logbook.", all());
        } catch (RuntimeException e) {
            LOG.warn("Verdicts are judged anew at the next start: {}", e.getMessage());
        }
    }

    /** @return how many were judged */
    int all() {
        while (Objects.requireNonNull(transactions.execute(t -> footprints.workOutZones())) > 0) {
            // some at a time, so that nobody waits for long
        }
        int judged = 0;
        for (int some = some(); some > 0; some = some()) {
            judged += some;
        }
        return judged;
    }

    /** Some of one machine. */
    private int some() {
        return Objects.requireNonNull(transactions.execute(t -> {
            List<Failure> next = records.notJudged(AT_ONCE);
            if (next.isEmpty()) {
                return 0;
            }
            long machine = next.get(0).machineId;
            occupancy.lock(machine);
            List<Failure> these =
                    next.stream().filter(f -> f.machineId == machine).toList();
            Map<Long, Certainty> before = these.stream()
                    .collect(Collectors.toMap(f -> f.id, f -> failures.one(f.id).certainty()));
            for (Failure failure : these) {
                failure.certainty = Certainty.PRESUMED;
                judging.judge(failure);
            }
            records.saveAllAndFlush(these);
            rebuild.causes(machine);
            these.forEach(f -> logged(f, before.get(f.id), failures.one(f.id)));
            return these.size();
        }));
    }

    private void logged(Failure failure, Certainty before, FailureView after) {
        if (after.certainty() != before) {
            people.anOwner().ifPresent(owner -> logged(failure, before, after, owner));
        }
    }

    private void logged(Failure failure, Certainty before, FailureView after, Actor owner) {
        logbook.write(LogDraft.of(
                LogKind.CAUSE_JUDGED_ANEW,
                failure.machineId,
                "FAILURE",
                failure.id,
                failure.causeAt,
                "%s: %s was %s, now %s."
                        .formatted(
                                after.machineName(),
                                knowledge.nameOf(failure.cause),
                                before.words().toLowerCase(Locale.ROOT),
                                after.certainty().words().toLowerCase(Locale.ROOT)),
                Map.of("cause", failure.cause, "before", before, "after", after.certainty(), "began", failure.began),
                owner));
    }
}
