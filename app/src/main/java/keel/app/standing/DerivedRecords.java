package keel.app.standing;

import jakarta.persistence.EntityManager;
import java.util.List;
import keel.core.standing.Hold;
import org.springframework.stereotype.Component;

/** Writes what was derived of a machine in place of what stood there. */
@Component
class DerivedRecords {

    private final EntityManager entities;

    DerivedRecords(EntityManager entities) {
        this.entities = entities;
    }

    /** Empties all meters, sums and maps, to be reckoned from the facts again. */
    void forgetMetersAndMaps() {
        List.of("Meter", "RunPeriod", "WearMapRecord").forEach(derived -> entities.createQuery("delete from " + derived)
                .executeUpdate());
        entities.clear();
    }

    /** What is kept of a machine, to be written over. */
    MachineStanding standing(long machine) {
        MachineStanding standing = entities.find(MachineStanding.class, machine);
        if (standing == null) {
            standing = new MachineStanding();
            standing.machineId = machine;
            entities.persist(standing);
        }
        return standing;
    }

    void holds(long machine, List<Hold> open) {
        List<OpenHold> kept = of(OpenHold.class, machine);
        kept.stream()
                .filter(k -> open.stream().noneMatch(h -> h.code().code().equals(k.code)))
                .forEach(entities::remove);
        for (int rank = 0; rank < open.size(); rank++) {
            hold(machine, rank, open.get(rank));
        }
    }

    private void hold(long machine, int rank, Hold hold) {
        OpenHold kept = entities.find(
                OpenHold.class, new OpenHold.Key(machine, hold.code().code()));
        OpenHold written = kept == null ? new OpenHold() : kept;
        written.machineId = machine;
        written.code = hold.code().code();
        written.rank = rank;
        written.since = hold.since();
        written.text = hold.text();
        written.nextService = hold.next();
        if (kept == null) {
            entities.persist(written);
        }
    }

    void causes(long machine, List<OpenCauses.Open> open) {
        of(OpenCause.class, machine).stream()
                .filter(k -> open.stream().noneMatch(p -> p.named().failure() == k.failureId))
                .forEach(entities::remove);
        for (OpenCauses.Open each : open) {
            VerdictRecords.Named presumed = each.named();
            OpenCause kept = entities.find(OpenCause.class, new OpenCause.Key(machine, presumed.failure()));
            OpenCause written = kept == null ? new OpenCause() : kept;
            written.machineId = machine;
            written.failureId = presumed.failure();
            written.cause = presumed.cause();
            written.watched = each.watched();
            if (kept == null) {
                entities.persist(written);
            }
        }
    }

    private <T> List<T> of(Class<T> derived, long machine) {
        return entities.createQuery(
                        "select d from " + derived.getSimpleName() + " d where d.machineId = :machine", derived)
                .setParameter("machine", machine)
                .getResultList();
    }
}
