package keel.app.standing;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import keel.core.standing.ServiceKind;
import keel.core.wear.Usage;
import org.springframework.stereotype.Component;

/** Keeps the meters of machines and parts. */
@Component
class MeterSums {

    private final MeterRecords meters;
    private final RunSums sums;
    private final Clock clock;

    MeterSums(MeterRecords meters, RunSums sums, Clock clock) {
        this.meters = meters;
        this.sums = sums;
        this.clock = clock;
    }

    /**
     * Brings the meters of a machine up to what is on record.
     *
     * @param since only what was on the machine then or later can have changed
     * @return the parts whose meters were looked at
     */
    List<Long> follow(long machine, Instant since) {
        sums.follow(machine, since);
        set(MeterScope.MACHINE, machine, sums.all(machine));
        MeterRecords.Before before = meters.before(machine);
        since(MeterScope.LUBRICATED, machine, ServiceKind.LUBRICATION, before);
        since(MeterScope.ABRADED, machine, ServiceKind.PLATE_WORK, before);
        since(MeterScope.LEVELLED, machine, ServiceKind.LEVELLING, before);
        List<Long> parts = meters.partsOn(machine, since);
        parts.forEach(part -> set(MeterScope.COMPONENT, part, sums.ofPart(part)));
        meters.deleteAll(meters.takenBack());
        return parts;
    }

    /** Where it was never done on record: since the machine came, and what was known of it then. */
    private void since(MeterScope scope, long machine, ServiceKind kind, MeterRecords.Before before) {
        Instant done = Latest.of(clock.instant(), from -> meters.lastDone(machine, kind, from));
        Double hours = before.of(kind);
        set(
                scope,
                machine,
                done == null
                        ? sums.all(machine).plus(new Usage(hours == null ? 0 : hours, 0, 0, 0, 0))
                        : sums.between(machine, done, RunSums.FOREVER));
    }

    /** Whether it is known when something was last done to a machine: on record, or said when the machine came. */
    boolean known(long machine, ServiceKind kind) {
        return meters.before(machine).of(kind) != null || meters.everDone(machine, kind);
    }

    boolean vatSaidEmpty(long machine) {
        return meters.before(machine).vatEmpty();
    }

    private void set(MeterScope scope, long owner, Usage usage) {
        Meter meter = meters.findById(new Meter.Key(scope, owner)).orElse(null);
        if (meter == null) {
            meter = new Meter();
            meter.scope = scope;
            meter.ownerId = owner;
            meter.take(usage);
            meters.save(meter);
        } else {
            meter.take(usage);
        }
    }
}
