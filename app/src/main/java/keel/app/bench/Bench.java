package keel.app.bench;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.Parts;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogFilter;
import keel.app.people.LogKind;
import keel.app.people.LogLine;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.standing.Occupancy;
import keel.app.standing.Rebuild;
import keel.app.stores.Stock;
import keel.core.Findings;
import keel.core.run.RunRules;
import keel.core.standing.FieldReading;
import keel.core.standing.ServiceKind;
import keel.core.standing.ServiceValues;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Records services, with what each does to the parts that are fitted, and takes them back. */
@Service
@Transactional
public class Bench {

    private final ServiceRecords records;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Parts parts;
    private final ServiceEffects effects;
    private final Stock stock;
    private final Occupancy occupancy;
    private final Rebuild rebuild;
    private final Logbook logbook;
    private final ApplicationEventPublisher events;
    private final ObjectMapper json;
    private final Clock clock;

    Bench(
            ServiceRecords records,
            Fleet fleet,
            ShopSettings settings,
            Parts parts,
            ServiceEffects effects,
            Stock stock,
            Occupancy occupancy,
            Rebuild rebuild,
            Logbook logbook,
            ApplicationEventPublisher events,
            ObjectMapper json,
            Clock clock) {
        this.records = records;
        this.fleet = fleet;
        this.settings = settings;
        this.parts = parts;
        this.effects = effects;
        this.stock = stock;
        this.occupancy = occupancy;
        this.rebuild = rebuild;
        this.logbook = logbook;
        this.events = events;
        this.json = json;
        this.clock = clock;
    }

    /** How often each kind of work was done at a machine of late, and when last. */
    public record Done(ServiceKind kind, long lately, Instant last) {}

    @Transactional(readOnly = true)
    public List<Done> done(long machine, Instant since) {
        return records.done(machine, since).stream()
                .map(d -> new Done(d.kind(), d.lately(), d.last()))
                .toList();
    }

    /**
     * @throws Refused if the entry cannot be right by itself
     * @throws Conflict if it does not fit what is recorded
     */
    public ServiceView record(ServiceEntry entry) {
        Actor actor = Actor.current();
        ServiceKind kind = kind(entry.kind());
        boolean spareVat = kind.onSpareVat() && present(entry.values().get("vat")) && !present(entry.machine());
        MachineRef machine = spareVat ? null : fleet.machineOfEntry(entry.machine());
        Findings findings = new Findings();
        Map<String, Object> values = read(kind, machine, entry, findings);
        Instant at = entry.at() == null ? clock.instant() : entry.at().truncatedTo(ChronoUnit.MILLIS);
        findings.when(at.isAfter(clock.instant().plus(RunRules.CLOCK_TOLERANCE)), "at", "That lies in the future.");
        findings.when(machine != null && at.isBefore(machine.since()), "at", "The machine was not in the shop yet.");
        findings.when(
                entry.note() != null && entry.note().length() > 4000,
                "note",
                "A note may have 4000 characters at most.");
        Refused.unless(findings);
        if (machine != null) {
            occupancy.lock(machine.id());
            requireStandstill(kind, machine, at);
        }
        ServiceValues said = new ServiceValues(kind, values);
        ServiceEffects.Resin resin = effects.resin(said, machine, at);
        ServiceRecord service = save(kind, machine, at, values, entry.note());
        effects.belongs(resin, service);
        requireOnShelf(machine, service);
        String text = effects.of(said, machine, service);
        takeFromStores(said, machine, service, actor);
        records.save(service);
        rebuildFor(machine, at);
        write(LogKind.SERVICE, service, (machine == null ? "" : machine.name() + ": ") + text, values, actor);
        events.publishEvent(new ServiceRecorded(service.id, kind, service.machineId, values));
        return new ServiceView(
                service.id, kind, machine == null ? null : machine.code(), at, text, service.note, values);
    }

    /** Takes an entry back with a reason. A keeper may take back any, an operator what they wrote themselves. */
    public void withdraw(long id, String reason) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.text(reason, 400, "reason", "The reason");
        Refused.unless(findings);
        ServiceRecord service = records.findById(id).orElseThrow(() -> new NotThere("There is no service " + id + "."));
        if (service.withdrawn) {
            throw new Conflict("This entry has been withdrawn already.");
        }
        LogLine line = logbook.lines(LogFilter.ofSubject("SERVICE", id)).get(0);
        if (!line.person().equals(actor.displayName())) {
            Actor.require(Role.KEEPER);
        }
        MachineRef machine = service.machineId == null ? null : fleet.machine(service.machineId);
        if (machine != null) {
            occupancy.lock(machine.id());
        }
        service.withdrawn = true;
        undo(id, actor);
        Map<String, Object> values = values(service);
        if (service.kind == ServiceKind.MOVED) {
            fleet.moveTo(machine.id(), values.get("fromRoom").toString());
        }
        records.save(service);
        rebuildFor(machine, Instant.EPOCH);
        events.publishEvent(new ServiceWithdrawn(id, service.kind, values));
        logbook.write(new LogDraft(
                LogKind.SERVICE_WITHDRAWN,
                service.machineId,
                "SERVICE",
                id,
                service.at,
                "Withdrawn: " + line.headline(),
                null,
                values,
                actor,
                line.id(),
                reason.strip()));
    }

    /** What it did to parts, to bottles and to the stores. */
    private void undo(long id, Actor actor) {
        parts.undo(id);
        effects.undo(id);
        stock.putBack(id, actor);
    }

    private Map<String, Object> read(ServiceKind kind, MachineRef machine, ServiceEntry entry, Findings findings) {
        Map<String, Object> given = entry.values();
        if (machine != null) {
            if (!ServiceKind.of(machine.traits()).contains(kind)) {
                throw new Refused(
                        "kind",
                        kind.done() + " does not apply to a "
                                + machine.traits().kind().words().toLowerCase(Locale.ROOT) + " machine.");
            }
            findings.when(
                    kind == ServiceKind.CLEAN_UP
                            && "QUICK".equals(given.get("way"))
                            && !machine.traits().wholeAreaLight(),
                    "way",
                    machine.name() + " cannot light its whole area; only the full way works.");
            findings.when(
                    kind == ServiceKind.LEVELLING
                            && "SELF".equals(given.get("school"))
                            && !machine.traits().selfLevelling(),
                    "school",
                    machine.name() + " does not level itself.");
        }
        return FieldReading.read(kind.fields(), withEndReason(kind, machine, given), findings);
    }

    /** Where nothing was fitted, nobody has to say why it ended. */
    private Map<String, Object> withEndReason(ServiceKind kind, MachineRef machine, Map<String, Object> given) {
        boolean missing = kind.field("endReason").isPresent() && !present(given.get("endReason"));
        if (!missing
                || kind == ServiceKind.SCREEN_CHANGE
                || kind == ServiceKind.LIGHT_CHANGE
                || (machine == null
                        ? parts.filmIn(parts.vat((String) given.get("vat"), "vat")
                                        .id())
                                != null
                        : occupancy.filmAt(machine.id(), clock.instant()).isPresent())) {
            return given;
        }
        Map<String, Object> more = new LinkedHashMap<>(given);
        more.put("endReason", "OTHER");
        return more;
    }

    /** A vat on a machine is entered for the machine, whose holds follow from it. */
    private void requireOnShelf(MachineRef machine, ServiceRecord service) {
        Long on = machine == null ? parts.machineOfVat(service.vatId) : null;
        if (on != null) {
            throw new Conflict(
                    "vat",
                    "Vat " + parts.part(service.vatId).code() + " is on "
                            + fleet.machine(on).name() + ". Enter it for that machine.");
        }
    }

    private void requireStandstill(ServiceKind kind, MachineRef machine, Instant at) {
        if (kind.asksForStandstill()) {
            occupancy.runAt(machine.id(), at).ifPresent(run -> {
                throw new Conflict(
                        "at",
                        machine.name() + " was printing " + run.job() + " at that time"
                                + (run.endedAt() == null ? ". Finish the run first." : "."));
            });
        }
    }

    private ServiceRecord save(
            ServiceKind kind, MachineRef machine, Instant at, Map<String, Object> values, String note) {
        ServiceRecord service = new ServiceRecord();
        service.kind = kind;
        service.machineId = machine == null ? null : machine.id();
        service.at = at;
        service.take(values);
        service.dryingUntil = Boolean.TRUE.equals(values.get("drying"))
                ? at.plus(Duration.ofMinutes(Math.round(60 * settings.defaults().value("drying.hours"))))
                : null;
        service.note = note == null || note.isBlank() ? null : note.strip();
        service.vatId = machine == null
                ? Long.valueOf(parts.vat((String) values.get("vat"), "vat").id())
                : occupancy.vatAt(machine.id(), at).orElse(null);
        if (kind == ServiceKind.MOVED) {
            values.put("fromRoom", fleet.roomOf(machine.id()));
        }
        service.content = json(values);
        return records.save(service);
    }

    /** What was taken from the stores for it is booked with it. */
    private void takeFromStores(ServiceValues values, MachineRef machine, ServiceRecord service, Actor actor) {
        Optional<String> item = values.has("fromStores")
                ? Optional.of(values.text("fromStores"))
                : machine == null
                        ? Optional.empty()
                        : newPart(values).flatMap(part -> stock.spareOf(part, machine.modelId(), service.at));
        String why = values.kind().done() + (machine == null ? "" : " on " + machine.name());
        item.ifPresent(i -> stock.take(i, 1, why, service.at, service.id, actor));
    }

    /** The kind of spare that a service fitted, where it does not say from which pack or shelf it came. */
    private static Optional<String> newPart(ServiceValues values) {
        return switch (values.kind()) {
            case FILM_CHANGE -> values.has("pack") ? Optional.empty() : Optional.of("FILM");
            case TANK_CHANGE -> Optional.of("TANK");
            case SCREEN_CHANGE -> values.has("spare") ? Optional.empty() : Optional.of("SCREEN");
            default -> Optional.empty();
        };
    }

    private void rebuildFor(MachineRef machine, Instant since) {
        if (machine != null) {
            rebuild.machine(machine.id(), since);
        }
    }

    private void write(LogKind kind, ServiceRecord service, String headline, Map<String, Object> values, Actor actor) {
        Map<String, Object> content = new LinkedHashMap<>();
        content.put("kind", service.kind);
        content.put("at", service.at);
        content.putAll(values);
        String sentence = headline.substring(0, 1).toUpperCase(Locale.ROOT) + headline.substring(1);
        logbook.write(LogDraft.of(kind, service.machineId, "SERVICE", service.id, service.at, sentence, content, actor)
                .noting(service.note));
    }

    private static ServiceKind kind(String name) {
        return ServiceKind.named(name)
                .orElseThrow(() -> new Refused(
                        "kind",
                        "There is no service " + name + ". Known: " + Arrays.toString(ServiceKind.values()) + "."));
    }

    private static boolean present(Object value) {
        return value != null && !value.toString().isBlank();
    }

    private String json(Map<String, Object> values) {
        try {
            return json.writeValueAsString(values);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    @SuppressWarnings("unchecked")
    private Map<String, Object> values(ServiceRecord service) {
        try {
            return json.readValue(service.content, Map.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
