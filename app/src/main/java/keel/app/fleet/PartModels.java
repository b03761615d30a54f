package keel.app.fleet;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Models of screens and light engines, with the machines that each fits. */
@Service
@Transactional
public class PartModels {

    private static final Set<String> SOURCES = Set.of("LED", "LAMP", "LASER");

    private final Logbook logbook;
    private final PartModelRecords records;
    private final MachineModels machineModels;
    private final Clock clock;

    PartModels(Logbook logbook, PartModelRecords records, MachineModels machineModels, Clock clock) {
        this.logbook = logbook;
        this.records = records;
        this.machineModels = machineModels;
        this.clock = clock;
    }

    /**
     * A model as it is entered.
     *
     * @param revision as its maker prints it, null where there is none
     * @param source of a light engine: LED, LAMP or LASER
     * @param pixelsX of a screen; sizes in mm
     * @param price of one, null if not known
     * @param fits codes of machine models, one at least
     */
    public record Entry(
            ComponentKind kind,
            String name,
            String revision,
            String source,
            Integer pixelsX,
            Integer pixelsY,
            Double widthMm,
            Double depthMm,
            Double price,
            List<String> fits) {

        Findings findings() {
            Findings findings = new Findings();
            findings.text(name, 80, "name", "The name of the model");
            findings.when(
                    revision != null && revision.length() > 20,
                    "revision",
                    "A revision may have 20 characters at most.");
            findings.when(
                    kind != ComponentKind.SCREEN && kind != ComponentKind.LIGHT,
                    "kind",
                    "Only screens and light engines have models of their own.");
            findings.when(
                    fits == null || fits.isEmpty(),
                    "fits",
                    "Say which machines it fits: that is what is checked before one is fitted.");
            if (kind == ComponentKind.SCREEN) {
                measures(findings);
            } else {
                findings.when(
                        source != null && !source.isBlank() && !SOURCES.contains(source),
                        "source",
                        "A light is LED, LAMP or LASER.");
            }
            findings.rangeIfGiven(price, 0, 100_000, "price", "The price", "");
            return findings;
        }

        private void measures(Findings findings) {
            pixels(pixelsX, "pixelsX", "Pixels from left to right", findings);
            pixels(pixelsY, "pixelsY", "Pixels from front to back", findings);
            findings.range(widthMm, 10, 2000, "widthMm", "Its width", "mm");
            findings.range(depthMm, 10, 2000, "depthMm", "Its depth", "mm");
        }

        private static void pixels(Integer pixels, String field, String what, Findings findings) {
            findings.range(pixels == null ? null : pixels.doubleValue(), 320, 20_000, field, what, "");
        }
    }

    /** A model on record; {@code fits} are names of machine models. */
    public record Model(
            long id,
            String code,
            ComponentKind kind,
            String name,
            String revision,
            String source,
            Integer pixelsX,
            Integer pixelsY,
            Double widthMm,
            Double depthMm,
            Double price,
            List<String> fits,
            boolean retired) {

        /** Name with revision. */
        public String words() {
            return name + (revision == null ? "" : " " + revision);
        }
    }

    @Transactional(readOnly = true)
    public List<Model> all() {
        return records.inOrder().stream().map(PartModels::model).toList();
    }

    private static Model model(PartModel m) {
        return new Model(
                m.id,
                m.code,
                m.kind,
                m.name,
                m.revision,
                m.source,
                m.pixelsX,
                m.pixelsY,
                m.widthMm,
                m.depthMm,
                m.price,
                m.fits.stream().map(f -> f.name).sorted().toList(),
                m.retiredAt != null);
    }

    /** @throws NotThere if there is no such model */
    @Transactional(readOnly = true)
    public Model called(String code) {
        return model(record(code));
    }

    private PartModel record(String code) {
        return records.findByCode(code)
                .orElseThrow(() -> new NotThere("There is no model of screen or light engine called " + code + "."));
    }

    /** Answers its code. */
    public String add(Entry entry) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = entry.findings();
        Map<String, MachineModel> machines =
                machineModels.findAll().stream().collect(Collectors.toMap(m -> m.code, Function.identity()));
        if (entry.fits() != null) {
            entry.fits().stream()
                    .filter(f -> !machines.containsKey(f))
                    .forEach(f -> findings.add("fits", "There is no machine model called " + f + "."));
        }
        Refused.unless(findings);
        PartModel model = new PartModel();
        into(model, entry);
        entry.fits().forEach(f -> model.fits.add(machines.get(f)));
        model.code = Fleet.freeCode(model.words(), c -> records.findByCode(c).isPresent());
        model.at = clock.instant();
        model.personId = keeper.personId();
        records.save(model);
        note(model.id, model.kind.words() + " model " + model.words() + " added.", keeper);
        return model.code;
    }

    private static void into(PartModel model, Entry entry) {
        boolean screen = entry.kind() == ComponentKind.SCREEN;
        model.kind = entry.kind();
        model.name = entry.name().strip();
        model.revision = Typed.orNull(entry.revision());
        model.source = screen ? null : Typed.orNull(entry.source());
        model.pixelsX = screen ? entry.pixelsX() : null;
        model.pixelsY = screen ? entry.pixelsY() : null;
        model.widthMm = screen ? entry.widthMm() : null;
        model.depthMm = screen ? entry.depthMm() : null;
        model.price = entry.price();
    }

    /** No longer bought, or bought again; those on the shelf stay. */
    public void retire(String code, boolean retired) {
        Actor keeper = Actor.require(Role.KEEPER);
        PartModel model = record(code);
        model.retiredAt = retired ? clock.instant() : null;
        note(model.id, model.words() + (retired ? " is no longer bought." : " is bought again."), keeper);
    }

    private void note(long id, String headline, Actor by) {
        logbook.write(LogDraft.of(LogKind.SET_UP, null, "SHOP", id, clock.instant(), headline, Map.of(), by));
    }
}
