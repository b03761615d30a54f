package keel.app.standing;

import java.time.Instant;
import keel.core.wear.Usage;
import org.springframework.stereotype.Component;

/**
 * What machines did in spans of time, from sums over thirty days and the runs at their edges: it costs the same however
 * much lies behind. A run belongs to what was fitted when it started.
 */
@Component
class RunSums {

    static final Instant FOREVER = Instant.parse("9999-01-01T00:00:00Z");

    private final RunPeriods periods;

    RunSums(RunPeriods periods) {
        this.periods = periods;
    }

    /** Sums anew what a machine did since the period that a moment lies in. */
    void follow(long machine, Instant since) {
        int from = RunPeriod.of(since);
        periods.forget(machine, from);
        periods.sum(machine, RunPeriod.beginOf(from));
    }

    /** Of runs that started in a span of time, its end exclusive. */
    Usage between(long machine, Instant from, Instant to) {
        int first = RunPeriod.of(from) + 1;
        int last = RunPeriod.of(to);
        if (!to.isAfter(from)) {
            return Usage.NONE;
        }
        if (last <= first) {
            return periods.within(machine, from, to);
        }
        Usage edge = to.equals(FOREVER) ? Usage.NONE : periods.within(machine, RunPeriod.beginOf(last), to);
        return periods.within(machine, from, RunPeriod.beginOf(first))
                .plus(periods.whole(machine, first, last))
                .plus(edge);
    }

    /** Of all that a machine ever printed. */
    Usage all(long machine) {
        return periods.whole(machine, Integer.MIN_VALUE, Integer.MAX_VALUE);
    }

    /** What a part has been through on the machines that it was on, from a moment on. */
    Usage ofPartSince(long part, Instant since) {
        return periods.spans(part).stream()
                .map(s -> between(s.machine(), s.since().isAfter(since) ? s.since() : since, s.until()))
                .reduce(Usage.NONE, Usage::plus);
    }

    /** What a part had been through on the machines that it was on by a moment. */
    Usage ofPartUntil(long part, Instant at) {
        return periods.spans(part).stream()
                .map(s -> between(s.machine(), s.since(), s.until().isBefore(at) ? s.until() : at))
                .reduce(Usage.NONE, Usage::plus);
    }

    /** The same since it is on record. */
    Usage ofPart(long part) {
        return ofPartSince(part, Instant.EPOCH);
    }
}
