package keel.app.fleet;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Parts that come into the shop and lie on the shelf, with where they come from. */
@Service
@Transactional
public class Shelf {

    private final Components components;
    private final MachineModels models;
    private final Logbook logbook;
    private final Clock clock;
    private final PartRecords records;

    Shelf(Components components, MachineModels models, Logbook logbook, Clock clock, PartRecords records) {
        this.components = components;
        this.models = models;
        this.logbook = logbook;
        this.clock = clock;
        this.records = records;
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

    /** A vat for the shelf, with a film if a sheet is given. Answers the vat's code. */
    public String addVat(String modelCode, Parts.Sheet sheet, Parts.Baseline filmBaseline) {
        Actor keeper = Actor.require(Role.KEEPER);
        MachineModel model = models.findByCode(modelCode == null ? "" : modelCode)
                .orElseThrow(() -> new Refused("model", "Choose the model that the vat fits."));
        Findings findings = new Findings();
        filmBaseline.check(findings);
        if (sheet != null) {
            findings.range(sheet.thicknessMm(), 0.02, 1, "thicknessMm", "Thickness", "mm");
        }
        Refused.unless(findings);
        Component vat = records.make(ComponentKind.VAT, clock.instant(), null, Parts.Baseline.NEW);
        vat.modelId = model.id;
        if (sheet != null) {
            records.film(vat.id, clock.instant(), null, sheet, filmBaseline);
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

    /** A screen or light engine for the shelf. Answers its code. */
    public String addSpare(ComponentKind kind, Origin origin) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.when(origin.partModel() == null, "partModel", "Choose its model: what it fits follows from it.");
        origin.check(findings);
        requireOtherSerial(kind, origin, null, findings);
        Refused.unless(findings);
        Component part = records.make(kind, clock.instant(), null, Parts.Baseline.NEW);
        origin.into(part);
        components.save(part);
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
        components.save(part);
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

    /** A part on the shelf, as a list offers it. */
    public record Spare(String code, String words) {}

    /** Screens or light engines on the shelf that fit the model of a machine, the oldest first. */
    @Transactional(readOnly = true)
    public List<Spare> spares(long machineId, ComponentKind kind) {
        return components.onShelf(kind).stream()
                .filter(s -> fits(s, components.modelOf(machineId)))
                .map(s -> new Spare(s.part().code, words(s)))
                .toList();
    }

    private static boolean fits(Components.OnShelf spare, long model) {
        return spare.model() == null
                ? spare.part().modelId != null && spare.part().modelId == model
                : spare.model().fits.stream().anyMatch(m -> m.id == model);
    }

    private static String words(Components.OnShelf spare) {
        Component part = spare.part();
        return part.code
                + (spare.model() == null ? "" : ", " + spare.model().words())
                + (part.serial == null ? "" : ", serial " + part.serial)
                + (part.boughtOn == null ? "" : ", bought " + part.boughtOn);
    }
}
