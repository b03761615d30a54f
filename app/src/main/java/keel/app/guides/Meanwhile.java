package keel.app.guides;

import java.time.Clock;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import keel.app.base.Conflict;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.Parts;
import keel.app.standing.Occupancy;
import keel.core.guide.Procedure;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Component;

/** What became of a machine while a guide at it was open: it prints, or another vat is on it. */
@Component
class Meanwhile {

    private static final Set<ServiceKind> OF_THE_VAT = EnumSet.of(
            ServiceKind.FILM_CHANGE,
            ServiceKind.TANK_CHANGE,
            ServiceKind.FILM_CLEANED,
            ServiceKind.HOLE_CURED,
            ServiceKind.VAT_INSPECTED,
            ServiceKind.CLEAN_UP);

    private final Fleet fleet;
    private final Parts parts;
    private final Occupancy occupancy;
    private final Guidebook guidebook;
    private final Clock clock;

    Meanwhile(Fleet fleet, Parts parts, Occupancy occupancy, Guidebook guidebook, Clock clock) {
        this.fleet = fleet;
        this.parts = parts;
        this.occupancy = occupancy;
        this.guidebook = guidebook;
        this.clock = clock;
    }

    /**
     * Why nothing goes on.
     *
     * @param words in a sentence or two
     * @param vat code of the vat that is on now, where it is another than when this was begun; null else
     */
    public record Stands(String words, String vat) {}

    /** The vat that a guide at a machine is begun with; null where it is about none. */
    Long vatOf(Procedure procedure, long machine) {
        Parts.PartRef vat = procedure.service().filter(OF_THE_VAT::contains).isPresent() ? parts.vatOn(machine) : null;
        return vat == null ? null : vat.id();
    }

    /** Empty where nothing stands in the way. */
    Optional<Stands> of(GuideSession session) {
        if (session.machineId == null || !session.open()) {
            return Optional.empty();
        }
        MachineRef machine = fleet.machine(session.machineId);
        Procedure procedure = guidebook.called(session.procedureCode);
        return prints(machine, procedure).or(() -> otherVat(session, machine, procedure));
    }

    private Optional<Stands> prints(MachineRef machine, Procedure procedure) {
        boolean may = procedure.ending() == Procedure.Ending.POUR && machine.selfFilling();
        return may || !procedure.asksForStandstill()
                ? Optional.empty()
                : occupancy
                        .runAt(machine.id(), clock.instant())
                        .filter(r -> r.endedAt() == null)
                        .map(r -> new Stands(
                                machine.name() + " is printing " + r.job()
                                        + ". Nothing goes on here until that has ended; what was answered is kept.",
                                null));
    }

    private Optional<Stands> otherVat(GuideSession session, MachineRef machine, Procedure procedure) {
        if (session.vatBegunId == null || procedure.service().isEmpty()) {
            return Optional.empty();
        }
        Parts.PartRef now = parts.vatOn(machine.id());
        if (now != null && now.id() == session.vatBegunId) {
            return Optional.empty();
        }
        String begun = parts.part(session.vatBegunId).code();
        return Optional.of(
                now == null
                        ? new Stands(
                                "No vat is on " + machine.name() + " any more; this was begun with " + begun
                                        + ". Put it on again on record, or give this up and begin with the vat itself.",
                                null)
                        : new Stands(
                                now.code() + " is on " + machine.name() + " now; this was begun with " + begun
                                        + ". Is it " + now.code() + " that lies before you? What was answered is kept.",
                                now.code()));
    }

    /** @throws Conflict where something does */
    void require(GuideSession session) {
        of(session).ifPresent(s -> {
            throw new Conflict(s.words());
        });
    }
}
