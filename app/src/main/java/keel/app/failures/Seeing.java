package keel.app.failures;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import keel.app.base.Conflict;
import keel.app.base.Paging;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.people.LogFilter;
import keel.app.people.LogKind;
import keel.app.people.LogLine;
import keel.app.people.Logbook;
import keel.core.knowledge.Knowledge;
import keel.core.run.Outcome;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was seen of a failure, said bit by bit: added, taken back, put to the failure that is on record already. */
@Service
@Transactional
public class Seeing {

    /** Time in which a failure that was logged by a slip is taken back without a reason. */
    public static final Duration SLIP = Duration.ofMinutes(1);

    private static final Duration LATELY = Duration.ofDays(3);
    private static final Limit SHOWN = Limit.of(3);

    private final Failures failures;
    private final FailureRecords records;
    private final Logbook logbook;
    private final Knowledge knowledge;
    private final Clock clock;

    Seeing(Failures failures, FailureRecords records, Logbook logbook, Knowledge knowledge, Clock clock) {
        this.failures = failures;
        this.records = records;
        this.logbook = logbook;
        this.knowledge = knowledge;
        this.clock = clock;
    }

    /** What is said of a symptom. */
    public enum Said {
        THERE,
        NOT_THERE,
        NOTHING
    }

    /**
     * A print that may have failed.
     *
     * @param outcome null while it goes on
     * @param failure that is on record for it, null for none
     */
    public record Print(long id, String job, Instant startedAt, Instant endedAt, Outcome outcome, Long failure) {}

    /** @throws Refused if there is no such symptom */
    public FailureView say(long id, String symptom, Said said) {
        String name = knowledge
                .symptom(symptom == null ? "" : symptom)
                .orElseThrow(() -> new Refused("symptom", "There is no symptom " + symptom + "."))
                .name()
                .toLowerCase(Locale.ROOT);
        FailureView f = failures.one(id);
        List<String> seen = without(f.symptoms(), symptom);
        List<String> absent = without(f.absent(), symptom);
        String reason =
                switch (said) {
                    case THERE -> {
                        seen.add(symptom);
                        yield "also seen: " + name;
                    }
                    case NOT_THERE -> {
                        absent.add(symptom);
                        yield "looked for, not there: " + name;
                    }
                    case NOTHING -> "taken back: " + name;
                };
        return changed(f, seen, absent, f.zones(), f.note(), reason);
    }

    /** Adds to what is on record; what was looked for in vain and is seen now counts as seen. */
    public FailureView add(
            long id, Collection<String> symptoms, Collection<String> absent, Collection<String> zones, String note) {
        FailureView f = failures.one(id);
        Set<String> seen = new LinkedHashSet<>(f.symptoms());
        seen.addAll(symptoms);
        Set<String> none = new LinkedHashSet<>(f.absent());
        none.addAll(absent);
        none.removeAll(seen);
        Set<String> where = new LinkedHashSet<>(f.zones());
        where.addAll(zones);
        String more = Typed.orNull(note);
        String both =
                f.note() == null ? more : more == null || f.note().contains(more) ? f.note() : f.note() + "\n" + more;
        return changed(f, new ArrayList<>(seen), new ArrayList<>(none), new ArrayList<>(where), both, "more was seen");
    }

    /** Writes nothing where nothing is new: a second tap says what the first said. */
    private FailureView changed(
            FailureView f, List<String> seen, List<String> absent, List<String> zones, String note, String reason) {
        FailureEntry entry = new FailureEntry(f.machine(), f.run(), f.seenAt(), seen, absent, zones, note);
        return saysTheSame(f, entry) ? f : failures.correct(f.id(), null, entry, null, reason);
    }

    /**
     * Takes a failure back that was logged by a slip.
     *
     * @throws Conflict once a minute has passed
     */
    public void slip(long id) {
        if (!isFresh(id)) {
            throw new Conflict("reason", "More than a minute has passed. Put it right below, and say why.");
        }
        FailureView f = failures.one(id);
        if (!f.withdrawn()) {
            FailureEntry entry =
                    new FailureEntry(f.machine(), f.run(), f.seenAt(), f.symptoms(), f.absent(), f.zones(), f.note());
            failures.correct(id, null, entry, true, "logged by a slip, taken back at once");
        }
    }

    /** Whether it was logged within the last minute. */
    @Transactional(readOnly = true)
    public boolean isFresh(long id) {
        Instant since = clock.instant().minus(SLIP);
        return logbook.lines(LogFilter.ofSubject("FAILURE", id)).stream()
                .filter(l -> l.kind() == LogKind.FAILURE_LOGGED)
                .map(LogLine::writtenAt)
                .anyMatch(at -> at.isAfter(since));
    }

    /** The last prints of a machine, the latest first; with the failure that is on record for each. */
    @Transactional(readOnly = true)
    public List<Print> printsOf(String machine) {
        return records.machine(machine == null ? "" : machine)
                .map(m -> records.lastPrints(m, clock.instant().minus(LATELY), SHOWN))
                .orElse(List.of());
    }

    /** A failure of the same machine with the same symptoms that was logged a moment ago, null if there is none. */
    @Transactional(readOnly = true)
    public Long tappedTwice(FailureEntry entry) {
        return failures.list(entry.machine(), true, Paging.of(0, 1)).stream()
                .filter(f -> saysTheSame(f, entry))
                .map(FailureView::id)
                .filter(this::isFresh)
                .findFirst()
                .orElse(null);
    }

    private static boolean saysTheSame(FailureView f, FailureEntry entry) {
        return Objects.equals(f.run(), entry.run())
                && Set.copyOf(f.symptoms()).equals(Set.copyOf(entry.symptoms()))
                && Set.copyOf(f.absent()).equals(Set.copyOf(entry.absent()))
                && Set.copyOf(f.zones()).equals(Set.copyOf(entry.zones()))
                && Objects.equals(f.note(), Typed.orNull(entry.note()));
    }

    /** The failure that is on record for a run, null for none. */
    @Transactional(readOnly = true)
    public Long ofRun(Long run) {
        return run == null ? null : records.ofRun(run);
    }

    private static List<String> without(List<String> codes, String code) {
        List<String> left = new ArrayList<>(codes);
        left.remove(code);
        return left;
    }
}
