package keel.app.fleet;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
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
    private final Fittings fittings;
    private final MachineModels models;
    private final Logbook logbook;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Parts(
            Components components,
            Fittings fittings,
            MachineModels models,
            Logbook logbook,
            ApplicationEventPublisher events,
            Clock clock) {
        this.components = components;
        this.fittings = fittings;
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
     */
    public record Baseline(double hours, double uvHours, long layers, long prints) {

        public static final Baseline NEW = new Baseline(0, 0, 0, 0);

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
                .map(Parts::ref)
                .orElseThrow(() -> new Refused(field, "There is no vat called " + code + "."));
    }

    @Transactional(readOnly = true)
    public PartRef part(long id) {
        return ref(components.findById(id).orElseThrow());
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

    /** A vat for the shelf, with a film if a sheet is given. Answers the vat's code. */
    public String addVat(String modelCode, Sheet sheet, Baseline filmBaseline) {
        Actor keeper = Actor.require(Role.KEEPER);
        MachineModel model = models.findByCode(modelCode == null ? "" : modelCode)
                .orElseThrow(() -> new Refused("model", "Choose the model that the vat fits."));
        Findings findings = new Findings();
        filmBaseline.check(findings);
        if (sheet != null) {
            findings.range(sheet.thicknessMm(), 0.02, 1, "thicknessMm", "Thickness", "mm");
        }
        Refused.unless(findings);
        Component vat = make(ComponentKind.VAT, clock.instant(), null, Baseline.NEW);
        vat.modelId = model.id;
        if (sheet != null) {
            film(vat.id, clock.instant(), null, sheet, filmBaseline);
        }
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "PART",
                vat.id,
                clock.instant(),
                "Vat " + vat.code + " for " + model.name + " on the shelf" + (sheet == null ? "" : ", with a film")
                        + ".",
                Map.of("vat", vat.code, "model", model.code),
                keeper));
        return vat.code;
    }

    /** What stands on a machine when it is taken into the records. */
    void takeOver(Machine machine, MachineModel model, Sheet sheet, Baseline film, Baseline screen, Baseline light) {
        Component vat = make(ComponentKind.VAT, machine.since, null, Baseline.NEW);
        vat.modelId = model.id;
        fit(vat.id, machine.id, null, machine.since, null);
        film(vat.id, machine.since, null, sheet, film);
        Component plate = make(ComponentKind.PLATE, machine.since, null, Baseline.NEW);
        fit(plate.id, machine.id, null, machine.since, null);
        Component engine = make(ComponentKind.LIGHT, machine.since, null, light);
        fit(engine.id, machine.id, null, machine.since, null);
        if (model.kind.hasScreen()) {
            Component panel = make(ComponentKind.SCREEN, machine.since, null, screen);
            panel.modelId = model.id;
            fit(panel.id, machine.id, null, machine.since, null);
        }
    }

    /** Ends the film in a vat and fits a new one. Answers old and new code, the old null if there was none. */
    public Change changeFilm(long vatId, Instant at, long serviceId, Sheet sheet, String endReason) {
        notBefore(at, fittings.lastChange(vatId, null, null));
        String old = endFilm(vatId, at, serviceId, endReason);
        return new Change(old, film(vatId, at, serviceId, sheet, Baseline.NEW).code);
    }

    /** What a change took away and what it put in. */
    public record Change(String old, String fresh) {}

    /** A laser tank is replaced whole: vat and lining end, new ones come. */
    public Change changeTank(MachineRef machine, Instant at, long serviceId, String endReason) {
        notBefore(at, fittings.lastChange(null, machine.id(), ComponentKind.VAT));
        Fitting old = fittings.onMachine(machine.id(), ComponentKind.VAT).orElse(null);
        String oldFilm = null;
        if (old != null) {
            oldFilm = endFilm(old.componentId, at, serviceId, endReason);
            end(old, at, serviceId, endReason);
        }
        Component vat = make(ComponentKind.VAT, at, serviceId, Baseline.NEW);
        vat.modelId = machine.modelId();
        fit(vat.id, machine.id(), null, at, serviceId);
        return new Change(oldFilm, film(vat.id, at, serviceId, new Sheet("OTHER", 0.5), Baseline.NEW).code);
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
        notBefore(at, fittings.lastChange(null, machine.id(), ComponentKind.VAT));
        notBefore(at, fittings.lastChange(vat.id(), null, null));
        String old = fittings.onMachine(machine.id(), ComponentKind.VAT)
                .map(f -> {
                    remove(f, at, serviceId);
                    return components.findById(f.componentId).orElseThrow().code;
                })
                .orElse(null);
        fit(vat.id(), machine.id(), null, at, serviceId);
        return old;
    }

    public void removeVat(MachineRef machine, PartRef vat, Instant at, long serviceId) {
        Fitting fitting = fittings.onMachine(machine.id(), ComponentKind.VAT)
                .filter(f -> f.componentId.equals(vat.id()))
                .orElseThrow(() -> new Conflict("vat", "Vat " + vat.code() + " is not on " + machine.name() + "."));
        notBefore(at, fitting.fittedAt);
        remove(fitting, at, serviceId);
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
        notBefore(at, fittings.lastChange(null, machine.id(), kind));
        Component in = fresh.spare() == null || fresh.spare().isBlank()
                ? null
                : spare(kind, fresh.spare().strip(), machine);
        String old = fittings.onMachine(machine.id(), kind)
                .map(f -> end(f, at, serviceId, endReason))
                .orElse(null);
        if (in == null) {
            in = make(kind, at, serviceId, Baseline.NEW);
            in.modelId = machine.modelId();
            in.serial = fresh.serial();
        }
        fit(in.id, machine.id(), null, at, serviceId);
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
        String unfit = spare.partModelId != null
                ? components.unfit(spare.partModelId, machine.modelId()).orElse(null)
                : spare.modelId != null && spare.modelId != machine.modelId()
                        ? "it is for another model of machine"
                        : null;
        if (unfit != null) {
            throw new Conflict("spare", name + " does not fit " + machine.name() + ": " + unfit + ".");
        }
        return spare;
    }

    /** Where a screen or light engine comes from; what is not known is null. */
    public record Origin(
            Long partModel, String serial, String batch, LocalDate boughtOn, LocalDate warrantyUntil, Double price) {

        void check(Findings findings) {
            findings.when(
                    serial != null && serial.length() > 60,
                    "serial",
                    "A serial number may have 60 characters at most.");
            findings.when(batch != null && batch.length() > 60, "batch", "A batch may have 60 characters at most.");
            findings.when(
                    boughtOn != null && warrantyUntil != null && warrantyUntil.isBefore(boughtOn),
                    "warrantyUntil",
                    "The warranty ends before it was bought.");
            findings.rangeIfGiven(price, 0, 100_000, "price", "The price", "");
        }

        private void into(Component part) {
            part.partModelId = partModel;
            part.serial = blankless(serial);
            part.batch = blankless(batch);
            part.boughtOn = boughtOn;
            part.warrantyUntil = warrantyUntil;
            part.price = price;
        }

        private static String blankless(String text) {
            return text == null || text.isBlank() ? null : text.strip();
        }
    }

    /** A screen or light engine for the shelf. Answers its code. */
    public String addSpare(ComponentKind kind, Origin origin) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.when(origin.partModel() == null, "partModel", "Choose its model: what it fits follows from it.");
        origin.check(findings);
        requireOtherSerial(kind, origin, null, findings);
        Refused.unless(findings);
        Component part = make(kind, clock.instant(), null, Baseline.NEW);
        origin.into(part);
        components.saveAndFlush(part);
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "PART",
                part.id,
                clock.instant(),
                kind.words() + " " + part.code + " on the shelf"
                        + (part.serial == null ? "." : ", serial " + part.serial + "."),
                Map.of("part", part.code),
                keeper));
        return part.code;
    }

    /** Puts right where a part comes from. */
    public void originOf(String code, Origin origin) {
        Actor keeper = Actor.require(Role.KEEPER);
        Component part = components
                .findByCodeAndWithdrawnFalse(code)
                .filter(c -> c.kind == ComponentKind.SCREEN || c.kind == ComponentKind.LIGHT)
                .orElseThrow(() -> new NotThere("There is no screen or light engine called " + code + "."));
        Findings findings = new Findings();
        origin.check(findings);
        requireOtherSerial(part.kind, origin, part.id, findings);
        Refused.unless(findings);
        origin.into(part);
        components.saveAndFlush(part);
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "PART",
                part.id,
                clock.instant(),
                part.kind.words() + " " + part.code + ": where it comes from was put right.",
                Map.of("part", part.code),
                keeper));
    }

    private void requireOtherSerial(ComponentKind kind, Origin origin, Long self, Findings findings) {
        if (origin.serial() != null && !origin.serial().isBlank()) {
            findings.when(
                    components.called(kind, origin.serial().strip()).stream().anyMatch(c -> !c.id.equals(self)),
                    "serial",
                    "Another one with the serial number " + origin.serial().strip() + " is on record.");
        }
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
            components.flush();
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
        fittings.flush();
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
        fittings.flush();
    }

    private String endFilm(long vatId, Instant at, Long serviceId, String endReason) {
        return fittings.inVat(vatId).map(f -> end(f, at, serviceId, endReason)).orElse(null);
    }

    private String end(Fitting fitting, Instant at, Long serviceId, String endReason) {
        remove(fitting, at, serviceId);
        Component part = components.findById(fitting.componentId).orElseThrow();
        if (part.endedAt == null) {
            part.endedAt = at;
        }
        part.endReason = endReason == null ? "OTHER" : endReason;
        return part.code;
    }

    private void remove(Fitting fitting, Instant at, Long serviceId) {
        fitting.removedAt = at;
        fitting.removedBy = serviceId;
        fittings.saveAndFlush(fitting);
    }

    private Component film(long vatId, Instant at, Long serviceId, Sheet sheet, Baseline baseline) {
        Component film = make(ComponentKind.FILM, at, serviceId, baseline);
        film.material = sheet.material();
        film.thicknessMm = sheet.thicknessMm();
        film.packId = sheet.pack() == null || sheet.pack().isBlank()
                ? null
                : components
                        .packCalled(sheet.pack().strip().toUpperCase(Locale.ROOT))
                        .orElseThrow(
                                () -> new Refused("pack", "There is no pack of film called " + sheet.pack() + "."));
        fit(film.id, null, vatId, at, serviceId);
        return film;
    }

    private Component make(ComponentKind kind, Instant since, Long serviceId, Baseline baseline) {
        Component part = new Component();
        part.kind = kind;
        part.number = components.highestNumber(kind) + 1;
        part.code = kind.code(part.number);
        part.since = since;
        part.madeBy = serviceId;
        part.baselineHours = baseline.hours();
        part.baselineUvHours = baseline.uvHours();
        part.baselineLayers = baseline.layers();
        part.baselinePrints = baseline.prints();
        return components.saveAndFlush(part);
    }

    private void fit(long componentId, Long machineId, Long vatId, Instant at, Long serviceId) {
        Fitting fitting = new Fitting();
        fitting.componentId = componentId;
        fitting.machineId = machineId;
        fitting.vatId = vatId;
        fitting.fittedAt = at;
        fitting.fittedBy = serviceId;
        fittings.saveAndFlush(fitting);
    }

    private static void notBefore(Instant at, Instant last) {
        if (last != null && at.isBefore(last)) {
            throw new Conflict(
                    "at",
                    "Something was fitted or taken out there later, at " + last
                            + ". Withdraw that entry first, or give a later time.");
        }
    }

    private static PartRef ref(Component c) {
        return new PartRef(c.id, c.kind, c.code, c.modelId, c.endedAt);
    }
}
