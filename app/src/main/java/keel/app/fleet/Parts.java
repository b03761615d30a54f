package keel.app.fleet;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Which part is where, and since when. What is fitted follows from services, newest last: a change before the latest
 * one on the same carrier is refused, and taking a service back undoes exactly what it did.
 */
@Service
@Transactional
public class Parts {

    private final Components components;
    private final PartRecords records;
    private final Fittings fittings;
    private final PartModelRecords partModels;
    private final MachineModels models;
    private final Logbook logbook;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Parts(
            Components components,
            PartRecords records,
            Fittings fittings,
            PartModelRecords partModels,
            MachineModels models,
            Logbook logbook,
            ApplicationEventPublisher events,
            Clock clock) {
        this.components = components;
        this.records = records;
        this.fittings = fittings;
        this.partModels = partModels;
        this.models = models;
        this.logbook = logbook;
        this.events = events;
        this.clock = clock;
    }

    /** A part by its code, as far as other modules need it. */
    public record PartRef(long id, ComponentKind kind, String code, Long modelId, Instant endedAt) {}

    /**
     * What was taken over with a part that is not new.
     *
     * @param hours print hours already done, and so on; 0 for a new part
     * @param known whether anybody knows; hours and so on are 0 where nobody does
     */
    public record Baseline(double hours, double uvHours, long layers, long prints, boolean known) {

        public static final Baseline NEW = new Baseline(0, 0, 0, 0);

        public Baseline(double hours, double uvHours, long layers, long prints) {
            this(hours, uvHours, layers, prints, true);
        }

        static Baseline ofHours(Double hours) {
            return new Baseline(hours == null ? 0 : hours, 0, 0, 0, hours != null);
        }

        static Baseline ofUvHours(Double hours) {
            return new Baseline(0, hours == null ? 0 : hours, 0, 0, hours != null);
        }

        void check(Findings findings) {
            findings.range(hours, 0, 200_000, "baselineHours", "Hours already done", "h");
            findings.range(uvHours, 0, 200_000, "baselineUvHours", "UV hours already done", "h");
            findings.when(
                    layers < 0 || layers > 500_000_000L,
                    "baselineLayers",
                    "Layers already done cannot be " + layers + ".");
            findings.when(
                    prints < 0 || prints > 1_000_000L,
                    "baselinePrints",
                    "Prints already done cannot be " + prints + ".");
        }
    }

    /**
     * A new film: material FEP, PFA or OTHER, thickness, mm, and code of the pack that it comes from, null if not
     * noted.
     */
    public record Sheet(String material, double thicknessMm, String pack) {

        public Sheet(String material, double thicknessMm) {
            this(material, thicknessMm, null);
        }
    }

    @Transactional(readOnly = true)
    public PartRef vat(String code, String field) {
        return components
                .findByCodeAndWithdrawnFalse(code == null ? "" : code.strip().toUpperCase(Locale.ROOT))
                .filter(c -> c.kind == ComponentKind.VAT)
                .map(PartRecords::ref)
                .orElseThrow(() -> new Refused(field, "There is no vat called " + code + "."));
    }

    @Transactional(readOnly = true)
    public PartRef part(long id) {
        return PartRecords.ref(components.findById(id).orElseThrow());
    }

    /** The vat on a machine, or null. */
    @Transactional(readOnly = true)
    public PartRef vatOn(long machineId) {
        return fittings.onMachine(machineId, ComponentKind.VAT)
                .map(f -> part(f.componentId))
                .orElse(null);
    }

    /** The film in a vat, or null. */
    @Transactional(readOnly = true)
    public PartRef filmIn(long vatId) {
        return fittings.inVat(vatId).map(f -> part(f.componentId)).orElse(null);
    }

    /** The machine that a vat is on, or null. */
    @Transactional(readOnly = true)
    public Long machineOfVat(long vatId) {
        return fittings.of(vatId).map(f -> f.machineId).orElse(null);
    }

    /** What the part on a machine had done before, where nobody had said. */
    void sayBefore(long machine, ComponentKind kind, Baseline said) {
        Optional<PartRef> part = kind == ComponentKind.FILM
                ? Optional.ofNullable(vatOn(machine)).map(v -> filmIn(v.id()))
                : fittings.onMachine(machine, kind).map(f -> part(f.componentId));
        part.flatMap(p -> components.findById(p.id()))
                .filter(p -> !p.hoursKnown && said.known())
                .ifPresent(p -> {
                    p.hoursKnown = true;
                    p.baselineHours = said.hours();
                    p.baselineUvHours = said.uvHours();
                });
    }

    /** What stands on a machine when it is taken into the records. */
    void takeOver(Machine machine, MachineModel model, Sheet sheet, Baseline film, Baseline screen, Baseline light) {
        Component vat = records.make(ComponentKind.VAT, machine.since, null, Baseline.NEW);
        vat.modelId = model.id;
        records.fit(vat.id, machine.id, null, machine.since, null);
        records.film(vat.id, machine.since, null, sheet, film);
        Component plate = records.make(ComponentKind.PLATE, machine.since, null, Baseline.NEW);
        records.fit(plate.id, machine.id, null, machine.since, null);
        Component engine = records.make(ComponentKind.LIGHT, machine.since, null, light);
        records.fit(engine.id, machine.id, null, machine.since, null);
        if (model.kind.hasScreen()) {
            Component panel = records.make(ComponentKind.SCREEN, machine.since, null, screen);
            panel.modelId = model.id;
            records.fit(panel.id, machine.id, null, machine.since, null);
        }
    }

    /** Ends the film in a vat and fits a new one. Answers old and new code, the old null if there was none. */
    public Change changeFilm(long vatId, Instant at, long serviceId, Sheet sheet, String endReason) {
        PartRecords.notBefore(at, fittings.lastChange(vatId, null, null));
        String old = records.endFilm(vatId, at, serviceId, endReason);
        return new Change(old, records.film(vatId, at, serviceId, sheet, Baseline.NEW).code);
    }

    /** What a change took away and what it put in. */
    public record Change(String old, String fresh) {}

    /** A laser tank is replaced whole: vat and lining end, new ones come. */
    public Change changeTank(MachineRef machine, Instant at, long serviceId, String endReason) {
        PartRecords.notBefore(at, fittings.lastChange(null, machine.id(), ComponentKind.VAT));
        Fitting old = fittings.onMachine(machine.id(), ComponentKind.VAT).orElse(null);
        String oldFilm = null;
        if (old != null) {
            oldFilm = records.endFilm(old.componentId, at, serviceId, endReason);
            records.end(old, at, serviceId, endReason);
        }
        Component vat = records.make(ComponentKind.VAT, at, serviceId, Baseline.NEW);
        vat.modelId = machine.modelId();
        records.fit(vat.id, machine.id(), null, at, serviceId);
        return new Change(oldFilm, records.film(vat.id, at, serviceId, new Sheet("OTHER", 0.5), Baseline.NEW).code);
    }

    /**
     * Fits a vat with its film; one that is still in is lifted out first. Answers code of the vat lifted out, or null.
     */
    public String fitVat(MachineRef machine, PartRef vat, Instant at, long serviceId) {
        if (vat.endedAt() != null) {
            throw new Conflict("vat", "Vat " + vat.code() + " has ended.");
        }
        if (vat.modelId() != null && vat.modelId() != machine.modelId()) {
            throw new Conflict("vat", "Vat " + vat.code() + " is for another model of machine.");
        }
        Long elsewhere = machineOfVat(vat.id());
        if (elsewhere != null) {
            throw new Conflict(
                    "vat",
                    "Vat " + vat.code()
                            + (elsewhere == machine.id()
                                    ? " is in already."
                                    : " is on another machine. Lift it out there first."));
        }
        PartRecords.notBefore(at, fittings.lastChange(null, machine.id(), ComponentKind.VAT));
        PartRecords.notBefore(at, fittings.lastChange(vat.id(), null, null));
        String old = fittings.onMachine(machine.id(), ComponentKind.VAT)
                .map(f -> {
                    records.remove(f, at, serviceId);
                    return components.findById(f.componentId).orElseThrow().code;
                })
                .orElse(null);
        records.fit(vat.id(), machine.id(), null, at, serviceId);
        return old;
    }

    public void removeVat(MachineRef machine, PartRef vat, Instant at, long serviceId) {
        Fitting fitting = fittings.onMachine(machine.id(), ComponentKind.VAT)
                .filter(f -> f.componentId.equals(vat.id()))
                .orElseThrow(() -> new Conflict("vat", "Vat " + vat.code() + " is not on " + machine.name() + "."));
        PartRecords.notBefore(at, fitting.fittedAt);
        records.remove(fitting, at, serviceId);
    }

    /**
     * What comes in instead of what ends: a spare from the shelf by its code or serial number, or a new one with its
     * serial number; both may be null.
     */
    public record Fresh(String spare, String serial) {

        static final Fresh UNNAMED = new Fresh(null, null);
    }

    /**
     * Ends the screen or light engine of a machine and fits another.
     *
     * @throws Refused if there is no such spare
     * @throws Conflict if the spare has ended, is fitted, or does not fit this model of machine
     */
    public Change change(
            ComponentKind kind, MachineRef machine, Instant at, long serviceId, String endReason, Fresh fresh) {
        return replace(machine, kind, at, serviceId, endReason, fresh);
    }

    public Change replacePlate(MachineRef machine, Instant at, long serviceId) {
        return replace(machine, ComponentKind.PLATE, at, serviceId, "PLANNED", Fresh.UNNAMED);
    }

    private Change replace(
            MachineRef machine, ComponentKind kind, Instant at, long serviceId, String endReason, Fresh fresh) {
        PartRecords.notBefore(at, fittings.lastChange(null, machine.id(), kind));
        Component in = fresh.spare() == null || fresh.spare().isBlank()
                ? null
                : spare(kind, fresh.spare().strip(), machine);
        String old = fittings.onMachine(machine.id(), kind)
                .map(f -> records.end(f, at, serviceId, endReason))
                .orElse(null);
        if (in == null) {
            in = records.make(kind, at, serviceId, Baseline.NEW);
            in.modelId = machine.modelId();
            in.serial = fresh.serial();
        }
        records.fit(in.id, machine.id(), null, at, serviceId);
        return new Change(old, in.code);
    }

    private Component spare(ComponentKind kind, String codeOrSerial, MachineRef machine) {
        Component spare = components.called(kind, codeOrSerial).stream()
                .findFirst()
                .orElseThrow(() -> new Refused(
                        "spare",
                        "There is no " + kind.words().toLowerCase(Locale.ROOT) + " " + codeOrSerial
                                + ", neither by its code nor by its serial number."));
        String name = kind.words() + " " + spare.code;
        if (spare.endedAt != null) {
            throw new Conflict("spare", name + " has ended.");
        }
        if (fittings.of(spare.id).isPresent()) {
            throw new Conflict("spare", name + " is on a machine.");
        }
        String unfit = unfit(spare, machine.modelId());
        if (unfit != null) {
            throw new Conflict("spare", name + " does not fit " + machine.name() + ": " + unfit + ".");
        }
        return spare;
    }

    private String unfit(Component spare, long model) {
        return spare.partModelId != null
                ? partModels
                        .findById(spare.partModelId)
                        .flatMap(p -> p.unfitFor(models.findById(model).orElseThrow()))
                        .orElse(null)
                : spare.modelId != null && spare.modelId != model ? "it is for another model of machine" : null;
    }

    /** Marks a film or screen as ended while it is still fitted: the machine it is on is held until it is changed. */
    public void condemn(String code, String reason) {
        Actor keeper = Actor.require(Role.KEEPER);
        Component part = components
                .findByCodeAndWithdrawnFalse(code)
                .filter(c -> c.kind == ComponentKind.FILM || c.kind == ComponentKind.SCREEN)
                .orElseThrow(() -> new Refused("part", "There is no film or screen called " + code + "."));
        if (part.endedAt != null) {
            throw new Conflict("part", part.kind.words() + " " + code + " has ended already.");
        }
        Findings findings = new Findings();
        findings.text(reason, 20, "endReason", "Why it ends");
        Refused.unless(findings);
        part.endedAt = clock.instant();
        part.endReason = reason;
        Long machine = fittings.of(part.id)
                .map(f -> f.machineId != null ? f.machineId : machineOfVat(f.vatId))
                .orElse(null);
        logbook.write(LogDraft.of(
                LogKind.PART_ENDED,
                machine,
                "PART",
                part.id,
                part.endedAt,
                part.kind.words() + " " + code + " condemned: "
                        + reason.toLowerCase(Locale.ROOT).replace('_', ' ') + ".",
                Map.of("part", code, "endReason", reason),
                keeper));
        if (machine != null) {
            events.publishEvent(new MachineChanged(machine));
        }
    }

    /**
     * Takes back what a service did to the fittings.
     *
     * @throws Conflict if something was fitted or removed since on the same carriers
     */
    public void undo(long serviceId) {
        List<Fitting> fitted = fittings.findByFittedBy(serviceId);
        for (Fitting f : fitted) {
            boolean carriesNewer = fittings.inVat(f.componentId)
                    .map(in -> in.fittedBy != null && in.fittedBy > serviceId)
                    .orElse(false);
            if (f.removedAt != null || carriesNewer) {
                throw new Conflict("A later change builds on this one. Withdraw the later one first.");
            }
        }
        fittings.deleteAll(fitted);
        for (Fitting f : fittings.findByRemovedBy(serviceId)) {
            boolean taken = f.machineId != null
                    ? fittings.onMachine(
                                    f.machineId,
                                    components.findById(f.componentId).orElseThrow().kind)
                            .isPresent()
                    : fittings.inVat(f.vatId).isPresent();
            if (taken || fittings.of(f.componentId).isPresent()) {
                throw new Conflict("A later change builds on this one. Withdraw the later one first.");
            }
            f.removedAt = null;
            f.removedBy = null;
            Component back = components.findById(f.componentId).orElseThrow();
            back.endedAt = null;
            back.endReason = null;
        }
        components.findByMadeBy(serviceId).forEach(c -> c.withdrawn = true);
    }
}
