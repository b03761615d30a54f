package keel.app.standing;

import java.time.Instant;
import java.util.Optional;
import keel.app.fleet.ComponentKind;
import keel.core.standing.ServiceKind;
import keel.core.wear.Usage;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What parts had been through at a moment in the past, by the runs that had started by then. */
@Service
@Transactional(readOnly = true)
public class PartHours {

    private final PartQueries parts;
    private final MeterRecords meters;
    private final RunSums sums;

    PartHours(PartQueries parts, MeterRecords meters, RunSums sums) {
        this.parts = parts;
        this.meters = meters;
        this.sums = sums;
    }

    /** Of the part that was on a machine then, baseline included; empty where there was none, or nobody knows. */
    public Optional<Usage> of(long machine, ComponentKind kind, Instant at) {
        return parts.onAt(machine, kind, at).stream()
                .findFirst()
                .filter(PartQueries.Before::known)
                .map(p -> p.before().plus(sums.ofPartUntil(p.id(), at)));
    }

    /**
     * Print hours of a machine since something was last done to it; with what was known when it came, where it was not
     * done since. Null where nobody knows.
     */
    public Double since(long machine, ServiceKind kind, Instant at) {
        Instant done = meters.lastDoneBefore(machine, kind, at);
        if (done != null) {
            return sums.between(machine, done, at).hours();
        }
        Double before = meters.before(machine).of(kind);
        return before == null
                ? null
                : Double.valueOf(
                        before + sums.between(machine, Instant.EPOCH, at).hours());
    }
}
