package keel.app.standing;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.ShopSettings;
import keel.core.knowledge.Knowledge;
import keel.core.resin.VatContent;
import keel.core.standing.Fitted;
import keel.core.standing.HoldRules;
import keel.core.standing.MachineEvent;
import keel.core.standing.ServiceKind;
import keel.core.standing.StopGap;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Rebuilds what follows from the facts of a machine: meters, wear maps, holds, open causes, the vat's content. Called
 * in the transaction of every entry about the machine; calling it for all machines changes nothing that is not wrong.
 */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class Rebuild {

    private final Fleet fleet;
    private final Facts facts;
    private final FactRecords records;
    private final MeterSums meters;
    private final WearMaps wear;
    private final DerivedRecords derived;
    private final OpenCauses openCauses;
    private final ShopSettings settings;
    private final HoldRules holdRules;
    private final ApplicationEventPublisher events;
    private final ThreadLocal<Map<Long, Instant>> waiting = new ThreadLocal<>();

    Rebuild(
            Fleet fleet,
            Facts facts,
            FactRecords records,
            MeterSums meters,
            WearMaps wear,
            DerivedRecords derived,
            OpenCauses openCauses,
            ShopSettings settings,
            Knowledge knowledge,
            ApplicationEventPublisher events) {
        this.fleet = fleet;
        this.facts = facts;
        this.records = records;
        this.meters = meters;
        this.wear = wear;
        this.derived = derived;
        this.openCauses = openCauses;
        this.settings = settings;
        this.holdRules = new HoldRules(knowledge);
        this.events = events;
    }

    /**
     * Does many entries and rebuilds once after them, instead of after each. Between them meters, holds and vats are
     * not to be asked for.
     */
    public void onceAfter(Runnable entries) {
        Map<Long, Instant> machines = new LinkedHashMap<>();
        waiting.set(machines);
        try {
            entries.run();
        } finally {
            waiting.remove();
        }
        machines.forEach(this::machine);
    }

    /** Everything about one machine and the parts that were ever on it. */
    public void machine(long machineId) {
        machine(machineId, Instant.EPOCH);
    }

    /** The same where only parts fitted at or after {@code since} can have changed. */
    public void machine(long machineId, Instant since) {
        if (waiting.get() != null) {
            waiting.get().merge(machineId, since, (a, b) -> a.isBefore(b) ? a : b);
            return;
        }
        wear.follow(meters.follow(machineId, since));
        standing(fleet.machine(machineId));
        events.publishEvent(new RunsChanged(machineId, since));
    }

    /** Rebuilds for every machine; the parts on no machine have only their baselines. */
    public void everything() {
        derived.forgetMetersAndMaps();
        fleet.machines().forEach(m -> machine(fleet.machine(m.code()).id()));
    }

    /** Only which causes are still open, where nothing but verdicts has changed. */
    public void causes(long machineId) {
        derived.causes(machineId, openCauses.of(fleet.machine(machineId)));
    }

    private void standing(MachineRef machine) {
        List<MachineEvent> happened = facts.events(machine.id());
        VatNow vat = vat(machine.id());
        Instant changed = records.lastChange(machine.id());
        Fitted fitted = new Fitted(
                vat.vatId() != null,
                vat.filmUsable(),
                records.screensInUse(machine.id()) > 0,
                changed == null ? machine.since() : changed,
                vat.content().mixedAt(),
                vat.stopGap());
        derived.holds(machine.id(), holdRules.open(happened, machine.traits(), fitted));
        derived.causes(machine.id(), openCauses.of(machine));
        MachineStanding standing = derived.standing(machine.id());
        standing.offSince = offSince(happened);
        standing.holdToLight = holdRules.holdNextPartToLight(happened);
        standing.levelledAt = latest(happened, ServiceKind.LEVELLING);
        standing.lubricationKnown = meters.known(machine.id(), ServiceKind.LUBRICATION);
        standing.abradingKnown = meters.known(machine.id(), ServiceKind.PLATE_WORK);
        standing.vatKnown = meters.vatSaidEmpty(machine.id()) || vat.vatId() != null && facts.contentKnown(vat.vatId());
        standing.vatId = vat.vatId();
        standing.vatResin = vat.content().resin();
        standing.vatMl = vat.content().ml();
        standing.stopGapSince = vat.stopGap() == null ? null : vat.stopGap().since();
        standing.stopGapHours = vat.stopGap() == null ? null : vat.stopGap().hours();
    }

    private static Instant offSince(List<MachineEvent> events) {
        Instant off = latest(events, ServiceKind.OFF);
        Instant on = latest(events, ServiceKind.ON);
        return off != null && (on == null || on.isBefore(off)) ? off : null;
    }

    private static Instant latest(List<MachineEvent> events, ServiceKind kind) {
        return events.stream()
                .filter(e -> e instanceof MachineEvent.ServiceDone s && s.kind() == kind)
                .map(MachineEvent::at)
                .max(Instant::compareTo)
                .orElse(null);
    }

    private record VatNow(Long vatId, boolean filmUsable, VatContent content, StopGap stopGap) {}

    private VatNow vat(long machineId) {
        Long vat = records.vatOn(machineId);
        return vat == null
                ? new VatNow(null, false, VatContent.EMPTY, null)
                : new VatNow(
                        vat,
                        records.filmsInUse(vat) > 0,
                        facts.content(vat),
                        facts.stopGap(vat, settings.defaults().value("stopgap.everyHours")));
    }
}
