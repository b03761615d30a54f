package keel.app.prints;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import keel.core.standing.ServiceKind;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The attempts at one job, chained from run to run, with what was changed in between. */
@Service
@Transactional(readOnly = true)
public class Attempts {

    private static final int MOST = 20;
    private static final Set<ServiceKind> CHANGES_NOTHING = EnumSet.of(
            ServiceKind.PLATE_CLEARED,
            ServiceKind.CLEAN_UP,
            ServiceKind.VAT_INSPECTED,
            ServiceKind.SCREEN_INSPECTED,
            ServiceKind.OFF,
            ServiceKind.ON,
            ServiceKind.COMMISSIONED);

    private final Runs runs;
    private final RunRecords records;

    Attempts(Runs runs, RunRecords records) {
        this.runs = runs;
        this.records = records;
    }

    /** All attempts that this run is one of, the first one first; at least the run itself. */
    public List<Attempt> of(long runId) {
        List<Long> chain = new ArrayList<>(List.of(runId));
        for (Long before = before(runId);
                before != null && !chain.contains(before) && chain.size() < MOST;
                before = before(before)) {
            chain.add(0, before);
        }
        for (Long next = after(runId);
                next != null && !chain.contains(next) && chain.size() < MOST;
                next = after(next)) {
            chain.add(next);
        }
        List<Attempt> attempts = new ArrayList<>();
        RunView last = null;
        for (Long id : chain) {
            RunView run = runs.one(id);
            attempts.add(
                    new Attempt(attempts.size() + 1, run, failure(id), last == null ? List.of() : changed(last, run)));
            last = run;
        }
        return attempts;
    }

    private Long before(long run) {
        return records.before(run).orElse(null);
    }

    private Long after(long run) {
        return records.after(run, Limit.of(1)).stream().findFirst().orElse(null);
    }

    private Long failure(long run) {
        return records.failureOf(run);
    }

    /** Another machine, work at the bench other than cleaning, and new settings. */
    private List<String> changed(RunView from, RunView to) {
        List<String> changed = new ArrayList<>();
        if (!from.machine().equals(to.machine())) {
            changed.add("on " + to.machineName());
        }
        Instant begin = from.endedAt() == null ? from.startedAt() : from.endedAt();
        records.services(to.machine(), begin, to.startedAt()).stream()
                .filter(kind -> !CHANGES_NOTHING.contains(kind))
                .map(kind -> kind.done().toLowerCase(Locale.ROOT))
                .distinct()
                .forEach(changed::add);
        long versions = records.newSettings(to.machine(), begin, to.startedAt());
        if (versions > 0) {
            changed.add("settings");
        }
        if (from.layers() != to.layers()) {
            changed.add("the job, " + to.layers() + " layers");
        }
        return changed;
    }
}
