package keel.app.standing;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import keel.app.fleet.Fleet;
import keel.core.run.RunRules;
import keel.core.standing.ServiceKind;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * What a machine was doing at a time. Entries take the machine's lock first, so that two at once cannot both find it
 * free.
 */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class Occupancy {

    private final OccupancyRecords records;
    private final FactRecords facts;
    private final Fleet fleet;
    private final Clock clock;

    Occupancy(OccupancyRecords records, FactRecords facts, Fleet fleet, Clock clock) {
        this.records = records;
        this.facts = facts;
        this.fleet = fleet;
        this.clock = clock;
    }

    /** A run found in the way. */
    public record Found(long runId, String job, Instant startedAt, Instant endedAt) {}

    /** Makes other entries about this machine wait until this one is written. */
    public void lock(long machineId) {
        fleet.lock(machineId);
    }

    /** A run that overlaps the given time; {@code to} null means without end. {@code except} is left out of account. */
    public Optional<Found> overlapping(long machineId, Instant from, Instant to, Long except) {
        Instant until = to == null ? RunSums.FOREVER : to;
        long self = except == null ? -1 : except;
        return Stream.concat(
                        records
                                .overlapping(machineId, from, until, self, from.minus(RunRules.LONGEST), Limit.of(1))
                                .stream(),
                        records.goingOn(machineId, until, self).stream())
                .min(Comparator.comparing(Found::startedAt));
    }

    /** The run that was going on at a moment, ends excluded. */
    public Optional<Found> runAt(long machineId, Instant at) {
        return overlapping(machineId, at, at.plusMillis(1), null)
                .filter(r -> r.startedAt().isBefore(at));
    }

    /** When the last run of a machine ended; empty where it never printed. */
    public Optional<Instant> lastEnd(long machineId) {
        return Optional.ofNullable(Latest.of(clock.instant(), from -> facts.lastEnd(machineId, from)));
    }

    /** Code of the film that was in at a moment, or empty. */
    public Optional<String> filmAt(long machineId, Instant at) {
        return records.filmsAt(machineId, at).stream().findFirst();
    }

    /** The vat that was on a machine at a moment, or empty. */
    public Optional<Long> vatAt(long machineId, Instant at) {
        return records.vatsAt(machineId, at).stream().findFirst();
    }

    /** A film, tank, vat or screen that was taken out or put in within the given time, or empty. */
    public Optional<ServiceKind> changedWithin(long machineId, Instant from, Instant to) {
        return records.changedWithin(machineId, from, to).stream().findFirst();
    }
}
