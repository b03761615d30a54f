package keel.app.stores;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.standing.MachineNow;
import keel.app.standing.Occupancy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Resin that stands still in machines: it settles, and after a while it belongs back in its bottle. */
@Service
@Transactional(readOnly = true)
public class IdleResin {

    private final ShopSettings settings;
    private final PriceRecords records;
    private final Occupancy occupancy;
    private final Fleet fleet;
    private final Clock clock;

    IdleResin(ShopSettings settings, PriceRecords records, Occupancy occupancy, Fleet fleet, Clock clock) {
        this.settings = settings;
        this.records = records;
        this.occupancy = occupancy;
        this.fleet = fleet;
        this.clock = clock;
    }

    /** @param days since something moved it: a print, a pour, a sieve */
    public record Idle(long machine, double days) {}

    /** Of a machine that does not print at the moment. */
    public Optional<Idle> of(long machine) {
        Instant now = clock.instant();
        if (occupancy.runAt(machine, now).isPresent()) {
            return Optional.empty();
        }
        Instant moved = Stream.of(
                        Optional.of(fleet.machine(machine).since()),
                        occupancy.lastEnd(machine),
                        Optional.ofNullable(records.poured(machine)),
                        Optional.ofNullable(records.sieved(machine)))
                .flatMap(Optional::stream)
                .max(Instant::compareTo)
                .orElseThrow();
        return Optional.of(new Idle(machine, Duration.between(moved, now).toMinutes() / 1440.0));
    }

    /** Machines whose resin should go back into its bottle: nothing moved it for as long as the shop allows. */
    public List<MachineNow> toReturn(List<MachineNow> machines) {
        double most = settings.defaults().value("resin.returnDays");
        Instant since = clock.instant().minus(Duration.ofMinutes(Math.round(1440 * most)));
        Set<Long> moved = Set.copyOf(records.movedSince(since));
        return machines.stream()
                .filter(m -> m.resin() != null && m.resinMl() > 1 && m.run() == null)
                .filter(m -> !moved.contains(m.id()) && !m.since().isAfter(since))
                .toList();
    }
}
