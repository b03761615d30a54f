package keel.app.fleet;

import java.text.Normalizer;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.OncePerRead;
import keel.app.base.Refused;
import keel.app.base.Removal;
import keel.app.base.Seen;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.bolts.VatFrame;
import keel.core.resin.VatSize;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Rooms, models and machines: what there is, and setting it up. */
@Service
@Transactional
public class Fleet {

    private final Rooms rooms;
    private final MachineModels models;
    private final Machines machines;
    private final Parts parts;
    private final Logbook logbook;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Fleet(
            Rooms rooms,
            MachineModels models,
            Machines machines,
            Parts parts,
            Logbook logbook,
            ApplicationEventPublisher events,
            Clock clock) {
        this.rooms = rooms;
        this.models = models;
        this.machines = machines;
        this.parts = parts;
        this.logbook = logbook;
        this.events = events;
        this.clock = clock;
    }

    public record RoomView(String code, String name, boolean retired) {}

    public record ModelView(String code, ModelEntry entry, boolean retired) {}

    public record MachineView(
            String code,
            String name,
            String model,
            String modelName,
            String room,
            String roomName,
            String levellingSchool,
            boolean levelsAfterEachPrint,
            boolean sievesAfterEachPrint,
            Instant since,
            int version,
            boolean retired) {}

    /** @throws NotThere if no machine has this code */
    @Transactional(readOnly = true)
    public MachineRef machine(String code) {
        return ref(
                machines.findByCode(code).orElseThrow(() -> new NotThere("There is no machine called " + code + ".")));
    }

    /** Those that have not left the shop, by name. */
    @Transactional(readOnly = true)
    public List<MachineRef> refs() {
        Map<Long, MachineModel> model = byId(models.findAll(), m -> m.id);
        return machines.findAll(Sort.by("name")).stream()
                .filter(m -> m.retiredAt == null)
                .map(m -> ref(m, model.get(m.modelId)))
                .toList();
    }

    /** The machine an entry names; a missing, unknown or retired one is refused at that field. */
    @Transactional(readOnly = true)
    public MachineRef machineOfEntry(String code) {
        Machine machine = machines.findByCode(code == null ? "" : code.strip())
                .orElseThrow(() -> new Refused(
                        "machine",
                        code == null || code.isBlank()
                                ? "Which machine is missing."
                                : "There is no machine called " + code + "."));
        if (machine.retiredAt != null) {
            throw new Conflict("machine", machine.name + " has left the shop.");
        }
        return ref(machine);
    }

    @Transactional(readOnly = true)
    public MachineRef machine(long id) {
        return ref(machines.findById(id).orElseThrow());
    }

    @Transactional(readOnly = true)
    public List<MachineView> machines() {
        Map<Long, Room> room = byId(rooms.findAll(), r -> r.id);
        Map<Long, MachineModel> model = byId(models.findAll(), m -> m.id);
        return machines.findAll(Sort.by("name")).stream()
                .map(m -> new MachineView(
                        m.code,
                        m.name,
                        model.get(m.modelId).code,
                        model.get(m.modelId).name,
                        room.get(m.roomId).code,
                        room.get(m.roomId).name,
                        m.levellingSchool.name(),
                        m.levelsAfterEachPrint,
                        m.sievesAfterEachPrint,
                        m.since,
                        m.version,
                        m.retiredAt != null))
                .toList();
    }

    @Transactional(readOnly = true)
    public List<RoomView> rooms() {
        return rooms.findAll(Sort.by("name")).stream()
                .map(r -> new RoomView(r.code, r.name, r.retiredAt != null))
                .toList();
    }

    @Transactional(readOnly = true)
    public List<ModelView> models() {
        return models.findAll(Sort.by("name")).stream()
                .map(m -> new ModelView(m.code, ModelEntry.of(m), m.retiredAt != null))
                .toList();
    }

    /** @throws NotThere if no machine has this code */
    @Transactional(readOnly = true)
    public ModelEntry modelOf(String machineCode) {
        return ModelEntry.of(models.findById(machine(machineCode).modelId()).orElseThrow());
    }

    /** @throws NotThere if no model has this code */
    @Transactional(readOnly = true)
    public ModelView model(String code) {
        MachineModel model =
                models.findByCode(code).orElseThrow(() -> new NotThere("There is no model called " + code + "."));
        return new ModelView(model.code, ModelEntry.of(model), model.retiredAt != null);
    }

    /**
     * What the vats of a model may hold.
     *
     * @param fillLineMl null without a line
     * @param plateMm2 area of the plate that goes down into it
     */
    public record Vessel(Double fillLineMl, VatSize inside, double plateMm2) {}

    @Transactional(readOnly = true)
    public Optional<Vessel> vesselOf(long modelId) {
        return models.findById(modelId).map(m -> new Vessel(m.fillLineMl, m.vat(), m.plateWidthMm * m.plateDepthMm));
    }

    /** A model with the frame of its vat. */
    public record ModelFrame(
            long id,
            String code,
            String name,
            MachineKind kind,
            double plateWidthMm,
            double plateDepthMm,
            VatFrame frame) {}

    /** Of every model, by its number. */
    @Transactional(readOnly = true)
    public Map<Long, ModelFrame> frames() {
        return models.findAll().stream()
                .collect(Collectors.toMap(
                        m -> m.id,
                        m -> new ModelFrame(m.id, m.code, m.name, m.kind, m.plateWidthMm, m.plateDepthMm, m.frame())));
    }

    /** The film frame of a machine's vat, as far as it was counted. */
    @Transactional(readOnly = true)
    public VatFrame frame(long machineId) {
        return models.findById(machines.findById(machineId).orElseThrow().modelId)
                .orElseThrow()
                .frame();
    }

    /** Code of the room, checked. */
    @Transactional(readOnly = true)
    public String roomOfEntry(String code) {
        return rooms.findByCode(code == null ? "" : code)
                .filter(r -> r.retiredAt == null)
                .map(r -> r.code)
                .orElseThrow(() -> new Refused("room", "There is no room called " + code + "."));
    }

    /**
     * A room in use, with its number.
     *
     * @param night whether prints may go on there while nobody is there; null while nobody said
     */
    public record RoomPlace(long id, String code, String name, Boolean night) {}

    /** The rooms in use by name; asked once while a page is read. */
    @Transactional(readOnly = true)
    public List<RoomPlace> roomPlaces() {
        return OncePerRead.get(RoomPlace.class, () -> rooms.findAll().stream()
                .filter(r -> r.retiredAt == null)
                .map(r -> new RoomPlace(r.id, r.code, r.name, r.nightRuns))
                .sorted(Comparator.comparing(RoomPlace::name))
                .toList());
    }

    /** Number of a room, for records of other modules. */
    @Transactional(readOnly = true)
    public long roomId(String code) {
        return rooms.findByCode(roomOfEntry(code)).orElseThrow().id;
    }

    public String addRoom(String name) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.text(name, 80, "name", "The name of the room");
        Refused.unless(findings);
        Room room = new Room();
        room.name = name.strip();
        room.code = freeCode(name, c -> rooms.findByCode(c).isPresent());
        rooms.save(room);
        events.publishEvent(new RoomsChanged());
        note(null, room.id, "Room " + room.name + " added.", Map.of("room", room.code), keeper);
        return room.code;
    }

    public void retireRoom(String code) {
        Actor keeper = Actor.require(Role.KEEPER);
        Room room = rooms.findByCode(code).orElseThrow(() -> new NotThere("There is no room called " + code + "."));
        if (machines.findAll().stream().anyMatch(m -> m.retiredAt == null && m.roomId.equals(room.id))) {
            throw new Conflict("room", "Machines stand in " + room.name + ". Move them first.");
        }
        room.retiredAt = room.retiredAt == null ? clock.instant() : null;
        events.publishEvent(new RoomsChanged());
        note(
                null,
                room.id,
                "Room " + room.name + (room.retiredAt == null ? " in use again." : " no longer used."),
                Map.of("room", code),
                keeper);
    }

    /** @throws Conflict where something on record names it */
    public void deleteRoom(String code) {
        Actor keeper = Actor.require(Role.KEEPER);
        Room room = rooms.findByCode(code).orElseThrow(() -> new NotThere("There is no room called " + code + "."));
        Removal.of("room", room.name, () -> rooms.remove(room.id));
        events.publishEvent(new RoomsChanged());
        note(null, room.id, "Room " + room.name + " deleted.", Map.of("room", code), keeper);
    }

    /** @throws Conflict where something on record names it */
    public void deleteModel(String code) {
        Actor keeper = Actor.require(Role.KEEPER);
        MachineModel model =
                models.findByCode(code).orElseThrow(() -> new NotThere("There is no model called " + code + "."));
        Removal.of("model", model.name, () -> models.remove(model.id));
        note(null, model.id, "Model " + model.name + " deleted.", Map.of("model", code), keeper);
    }

    /** Says whether prints may go on in a room while nobody is there. */
    public void nightRuns(String code, boolean may) {
        Actor keeper = Actor.require(Role.KEEPER);
        Room room = rooms.findByCode(code).orElseThrow(() -> new NotThere("There is no room called " + code + "."));
        room.nightRuns = may;
        events.publishEvent(new RoomsChanged());
        note(
                null,
                room.id,
                room.name + ": prints " + (may ? "may" : "must not") + " go on while nobody is there.",
                Map.of("room", code, "nightRuns", may),
                keeper);
    }

    public String addModel(ModelEntry entry) {
        Actor keeper = Actor.require(Role.KEEPER);
        Refused.unless(entry.findings());
        MachineModel model = new MachineModel();
        model.code = freeCode(entry.name(), c -> models.findByCode(c).isPresent());
        entry.into(model);
        models.save(model);
        note(null, model.id, "Model " + model.name + " added.", entry, keeper);
        return model.code;
    }

    public void changeModel(String code, ModelEntry entry) {
        changeModel(code, entry, Seen.NOTHING);
    }

    /** @throws keel.app.base.EditedMeanwhile if somebody else changed it since it was seen */
    public void changeModel(String code, ModelEntry entry, Seen seen) {
        Actor keeper = Actor.require(Role.KEEPER);
        Refused.unless(entry.findings());
        MachineModel model =
                models.findByCode(code).orElseThrow(() -> new NotThere("There is no model called " + code + "."));
        if (model.kind != entry.kind() && machines.findAll().stream().anyMatch(m -> m.modelId.equals(model.id))) {
            throw new Conflict("kind", "Machines of this model are on record; how it lights a layer cannot change.");
        }
        seen.check("model", model(code).entry().stands());
        entry.into(model);
        note(null, model.id, "Model " + model.name + " changed.", entry, keeper);
        machines.findAll().stream()
                .filter(m -> m.modelId.equals(model.id))
                .forEach(m -> events.publishEvent(new MachineChanged(m.id)));
    }

    /** Adds a machine with the vat, film, plate, light engine and screen that stand on it. Answers its code. */
    public String addMachine(MachineEntry entry) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = entry.findings(clock.instant());
        MachineModel model = models.findByCode(String.valueOf(entry.model()))
                .filter(m -> m.retiredAt == null)
                .orElse(null);
        findings.when(model == null, "model", "Choose a model.");
        Room room = rooms.findByCode(String.valueOf(entry.room()))
                .filter(r -> r.retiredAt == null)
                .orElse(null);
        findings.when(room == null, "room", "Choose a room.");
        Refused.unless(findings);
        Machine machine = new Machine();
        machine.code = freeCode(entry.name(), c -> machines.findByCode(c).isPresent());
        machine.modelId = model.id;
        machine.since = entry.since() == null ? clock.instant() : entry.since();
        machine.baselineHours = entry.baselineHours();
        machine.lubricatedBeforeHours = entry.before().lubricatedH();
        machine.abradedBeforeHours = entry.before().abradedH();
        machine.vatSaidEmpty = entry.before().vatEmpty();
        into(machine, entry, room);
        machines.save(machine);
        parts.takeOver(
                machine,
                model,
                new Parts.Sheet(entry.filmMaterial(), entry.filmThicknessMm()),
                Parts.Baseline.ofHours(entry.filmHours()),
                Parts.Baseline.ofUvHours(entry.screenUvHours()),
                Parts.Baseline.ofHours(entry.lightHours()));
        note(
                machine.id,
                machine.id,
                machine.name + " (" + model.name + ") set up in " + room.name + ".",
                entry,
                keeper);
        events.publishEvent(new MachineChanged(machine.id));
        return machine.code;
    }

    /**
     * What somebody says of a machine that was not known when it came; what is null stays as it is.
     *
     * @param filmHours hours of its film or tank by then, {@code lightHours} of its light engine
     */
    public record Before(MachineEntry.Before upkeep, Double filmHours, Double screenUvHours, Double lightHours) {

        private void check(Findings findings) {
            upkeep.check(findings);
            findings.rangeIfGiven(filmHours, 0, 200_000, "filmHours", "Hours of its film", "h");
            findings.rangeIfGiven(screenUvHours, 0, 200_000, "screenUvHours", "UV hours of its screen", "h");
            findings.rangeIfGiven(lightHours, 0, 200_000, "lightHours", "Hours of its light engine", "h");
        }
    }

    /** What was known already is not changed by it. */
    public void sayBefore(String code, Before said) {
        Actor keeper = Actor.require(Role.KEEPER);
        Machine machine =
                machines.findByCode(code).orElseThrow(() -> new NotThere("There is no machine called " + code + "."));
        Findings findings = new Findings();
        said.check(findings);
        Refused.unless(findings);
        MachineEntry.Before upkeep = said.upkeep();
        machine.lubricatedBeforeHours = or(machine.lubricatedBeforeHours, upkeep.lubricatedH());
        machine.abradedBeforeHours = or(machine.abradedBeforeHours, upkeep.abradedH());
        machine.vatSaidEmpty |= upkeep.vatEmpty();
        parts.sayBefore(machine.id, ComponentKind.FILM, Parts.Baseline.ofHours(said.filmHours()));
        parts.sayBefore(machine.id, ComponentKind.SCREEN, Parts.Baseline.ofUvHours(said.screenUvHours()));
        parts.sayBefore(machine.id, ComponentKind.LIGHT, Parts.Baseline.ofHours(said.lightHours()));
        note(machine.id, machine.id, machine.name + ": what was not known of it was said.", said, keeper);
        events.publishEvent(new MachineChanged(machine.id));
    }

    private static Double or(Double known, Double said) {
        return known == null ? said : known;
    }

    /** Changes name, room and levelling; the version guards against two people at once. */
    public void changeMachine(String code, MachineEntry entry, int version) {
        Actor keeper = Actor.require(Role.KEEPER);
        Machine machine =
                machines.findByCode(code).orElseThrow(() -> new NotThere("There is no machine called " + code + "."));
        if (machine.version != version) {
            throw new Conflict("Somebody else changed " + machine.name
                    + " meanwhile. What is recorded now is shown beside what you typed.");
        }
        Room room =
                rooms.findByCode(String.valueOf(entry.room())).orElseThrow(() -> new Refused("room", "Choose a room."));
        Refused.unless(entry.findings(clock.instant()));
        into(machine, entry, room);
        note(machine.id, machine.id, machine.name + ": set-up changed.", entry, keeper);
        events.publishEvent(new MachineChanged(machine.id));
    }

    /** A machine leaves the shop, or comes back. */
    public void retireMachine(String code, boolean retired) {
        Actor keeper = Actor.require(Role.KEEPER);
        Machine machine =
                machines.findByCode(code).orElseThrow(() -> new NotThere("There is no machine called " + code + "."));
        machine.retiredAt = retired ? clock.instant() : null;
        note(
                machine.id,
                machine.id,
                machine.name + (retired ? " left the shop." : " is back in the shop."),
                Map.of("machine", code),
                keeper);
    }

    /** Makes other entries about this machine wait until this one is written. */
    public void lock(long machineId) {
        machines.lock(machineId);
    }

    /** The room follows a move. */
    public void moveTo(long machineId, String roomCode) {
        machines.findById(machineId).orElseThrow().roomId =
                rooms.findByCode(roomCode).orElseThrow().id;
    }

    /** Code of the room a machine stands in. */
    @Transactional(readOnly = true)
    public String roomOf(long machineId) {
        return rooms.findById(machines.findById(machineId).orElseThrow().roomId).orElseThrow().code;
    }

    private static void into(Machine machine, MachineEntry entry, Room room) {
        machine.name = entry.name().strip();
        machine.roomId = room.id;
        machine.levellingSchool = Machine.School.valueOf(entry.levellingSchool());
        machine.levelsAfterEachPrint = entry.levelsAfterEachPrint();
        machine.sievesAfterEachPrint = entry.sievesAfterEachPrint();
    }

    private void note(Long machineId, long subject, String headline, Object content, Actor by) {
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                machineId,
                machineId == null ? "SHOP" : "MACHINE",
                subject,
                clock.instant(),
                headline,
                content,
                by));
    }

    private MachineRef ref(Machine machine) {
        return ref(machine, models.findById(machine.modelId).orElseThrow());
    }

    private static MachineRef ref(Machine machine, MachineModel model) {
        return new MachineRef(
                machine.id,
                machine.code,
                machine.name,
                machine.modelId,
                new MachineTraits(
                        model.kind,
                        model.selfLevelling,
                        machine.levelsAfterEachPrint,
                        model.wholeAreaLight,
                        model.levelJoint,
                        model.resinSensing),
                machine.levellingSchool.name(),
                machine.sievesAfterEachPrint,
                model.selfFilling,
                model.releaseKind != MachineModel.Release.PEEL,
                model.fillLineMl,
                model.vat(),
                model.plateWidthMm,
                model.plateDepthMm,
                machine.since,
                machine.retiredAt != null);
    }

    private static <T> Map<Long, T> byId(List<T> all, java.util.function.Function<T, Long> id) {
        return all.stream().collect(Collectors.toMap(id, t -> t));
    }

    /** A code made from a name: lower case letters, digits and dashes; numbered where it is taken. */
    public static String freeCode(String name, Predicate<String> taken) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        String base = plain.isEmpty() ? "x" : plain.substring(0, Math.min(34, plain.length()));
        String code = base;
        for (int n = 2; taken.test(code); n++) {
            code = base + "-" + n;
        }
        return code;
    }
}
