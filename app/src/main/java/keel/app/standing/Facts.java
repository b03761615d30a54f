package keel.app.standing;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import keel.core.resin.VatContent;
import keel.core.standing.MachineEvent;
import keel.core.standing.ServiceKind;
import keel.core.standing.StopGap;
import org.springframework.stereotype.Component;

/**
 * Reads the facts that the rules ask for. Of what happens with every print (a run's end, a plate cleared, a levelling)
 * only the latest is read: no rule looks further back.
 */
@Component
class Facts {

    private final FactRecords records;
    private final RunSums sums;
    private final Clock clock;

    Facts(FactRecords records, RunSums sums, Clock clock) {
        this.records = records;
        this.sums = sums;
        this.clock = clock;
    }

    List<MachineEvent> events(long machine) {
        List<MachineEvent> events = new ArrayList<>(records.services(machine));
        latest(machine, ServiceKind.PLATE_CLEARED, events);
        latest(machine, ServiceKind.LEVELLING, events);
        Instant ended = Latest.of(clock.instant(), from -> records.lastEnd(machine, from));
        if (ended != null) {
            events.add(new MachineEvent.RunEnded(ended));
        }
        events.addAll(failures(machine));
        records.leaks(machine).forEach(at -> events.add(new MachineEvent.LeakFound(at)));
        return events;
    }

    private void latest(long machine, ServiceKind kind, List<MachineEvent> events) {
        Instant done = Latest.of(clock.instant(), from -> records.lastDone(machine, kind, from));
        if (done != null) {
            events.add(MachineEvent.ServiceDone.of(done, kind));
        }
    }

    private List<MachineEvent> failures(long machine) {
        Map<Long, List<FactRecords.Seen>> seen =
                records.failures(machine).stream().collect(Collectors.groupingBy(FactRecords.Seen::failure));
        return seen.values().stream()
                .<MachineEvent>map(f -> new MachineEvent.FailureSeen(
                        f.get(0).at(),
                        f.stream()
                                .map(FactRecords.Seen::symptom)
                                .filter(Objects::nonNull)
                                .collect(Collectors.toSet())))
                .toList();
    }

    /** What is in a vat: everything since it was last emptied. */
    VatContent content(long vat) {
        Instant emptied = records.lastEmptied(vat);
        Instant from = emptied == null ? Instant.EPOCH : emptied;
        List<VatContent.Change> changes = new ArrayList<>();
        records.pours(vat, from).forEach(p -> changes.add(p.change()));
        if (changes.isEmpty()) {
            return VatContent.EMPTY;
        }
        records.printed(vat, from).forEach(p -> changes.add(new VatContent.Printed(p.at(), p.ml())));
        records.lost(vat, from).forEach(l -> changes.add(new VatContent.TakenOut(l.at(), l.ml())));
        records.measured(vat, from).forEach(m -> changes.add(new VatContent.Measured(m.at(), m.ml())));
        return VatContent.after(changes);
    }

    /** Whether anybody ever poured into a vat, emptied it or looked how much is in it. */
    boolean contentKnown(long vat) {
        return records.lastEmptied(vat) != null
                || !records.pours(vat, Instant.EPOCH).isEmpty()
                || !records.measured(vat, Instant.EPOCH).isEmpty();
    }

    /**
     * A hole in the film of this vat that is only cured shut; null if none. Hours run from when somebody last found it
     * dry.
     */
    StopGap stopGap(long vat, double everyHours) {
        Instant cured = records.holeCured(vat);
        if (cured == null) {
            return null;
        }
        Instant looked = records.lastCleanLook(vat);
        Instant since = looked != null && looked.isAfter(cured) ? looked : cured;
        return new StopGap(cured, sums.ofPartSince(vat, since).hours(), everyHours);
    }
}
