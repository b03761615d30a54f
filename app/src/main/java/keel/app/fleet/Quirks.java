package keel.app.fleet;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.OncePerRead;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps quirks and comparisons, and says which quirks a machine has. */
@Service
@Transactional
public class Quirks {

    /** Facts of history that a quirk can stand for, with what a keeper would call it. */
    public static final Map<String, String> CODES = Map.of(
            "quirk-smoothing-axis",
            "It smooths edges on one axis only",
            "quirk-grey-rows",
            "It stumbles over long rows of grey");

    private static final int LONGEST = 400;
    private static final Limit SHOWN = Limit.of(50);

    private final Fleet fleet;
    private final Logbook logbook;
    private final Machines machines;
    private final MachineModels models;
    private final QuirkRecords records;
    private final EntityManager entities;
    private final Clock clock;

    Quirks(
            Fleet fleet,
            Logbook logbook,
            Machines machines,
            MachineModels models,
            QuirkRecords records,
            EntityManager entities,
            Clock clock) {
        this.fleet = fleet;
        this.logbook = logbook;
        this.machines = machines;
        this.models = models;
        this.records = records;
        this.entities = entities;
        this.clock = clock;
    }

    /**
     * Open quirks by machine code: its own, its model's, its controller's and its firmware's. All machines if
     * {@code only} is null.
     */
    @Transactional(readOnly = true)
    public Map<String, List<Quirk>> byMachine(String only) {
        return OncePerRead.get(new Asked(only), () -> read(only));
    }

    private record Asked(String only) {}

    private Map<String, List<Quirk>> read(String only) {
        List<Quirk> open = new ArrayList<>(records.open());
        Collections.reverse(open);
        return open.isEmpty()
                ? Map.of()
                : records.holders(only).stream()
                        .collect(Collectors.toMap(
                                QuirkRecords.Holder::machine,
                                h -> open.stream().filter(q -> isOf(q, h)).toList()));
    }

    private static boolean isOf(Quirk quirk, QuirkRecords.Holder holder) {
        return switch (quirk.scope()) {
            case MACHINE -> quirk.holder().equals(holder.machine());
            case MODEL -> quirk.holder().equals(holder.model());
            case CONTROLLER -> quirk.holder().equalsIgnoreCase(holder.controller());
            case FIRMWARE -> quirk.holder().equals(holder.firmware());
        };
    }

    @Transactional(readOnly = true)
    public List<Quirk> of(String machine) {
        return byMachine(machine).getOrDefault(machine, List.of());
    }

    /** Facts of history that a machine's quirks stand for. */
    @Transactional(readOnly = true)
    public Set<String> facts(String machine) {
        return of(machine).stream().map(Quirk::code).filter(Objects::nonNull).collect(Collectors.toSet());
    }

    /** All open ones, newest first. */
    @Transactional(readOnly = true)
    public List<Quirk> all() {
        return records.open();
    }

    /** @throws Refused if something is missing or the machine or model is not known */
    public long add(String scope, String holder, String code, String text, String workaround) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        boolean known =
                Arrays.stream(Quirk.Scope.values()).anyMatch(s -> s.name().equals(scope));
        findings.when(!known, "scope", "Say what it belongs to: a machine, a model, a controller or a firmware.");
        findings.text(text, LONGEST, "text", "What is odd");
        findings.text(workaround, LONGEST, "workaround", "How to live with it");
        if (findings.text(holder, 80, "holder", "Which one") && known) {
            findings.when(
                    scope.equals("MACHINE")
                            && machines.findByCode(holder.strip()).isEmpty(),
                    "holder",
                    "There is no machine " + holder + ".");
            findings.when(
                    scope.equals("MODEL") && models.findByCode(holder.strip()).isEmpty(),
                    "holder",
                    "There is no model " + holder + ".");
        }
        findings.when(
                code != null && !code.isBlank() && !CODES.containsKey(code), "code", "There is no such kind of quirk.");
        Refused.unless(findings);
        QuirkRecord quirk = new QuirkRecord();
        quirk.scope = Quirk.Scope.valueOf(scope);
        quirk.holder = holder.strip();
        quirk.code = Typed.orNull(code);
        quirk.text = text.strip();
        quirk.workaround = workaround.strip();
        quirk.notedAt = clock.instant();
        quirk.personId = keeper.personId();
        records.save(quirk);
        note(
                machineId(quirk.scope, holder),
                quirk.id,
                "Quirk of " + named(quirk.scope, holder.strip()) + ": " + text.strip(),
                keeper);
        return quirk.id;
    }

    private String named(Quirk.Scope scope, String holder) {
        return switch (scope) {
            case MACHINE -> machines.findByCode(holder).map(m -> m.name).orElse(holder);
            case MODEL ->
                "all of model " + models.findByCode(holder).map(m -> m.name).orElse(holder);
            case CONTROLLER, FIRMWARE -> "all with " + scope.words() + " " + holder;
        };
    }

    /** It is mended, or was none. */
    public void retire(long id, String why) {
        Actor keeper = Actor.require(Role.KEEPER);
        QuirkRecord quirk = records.findById(id)
                .filter(q -> q.retiredAt == null)
                .orElseThrow(() -> new NotThere("There is no open quirk " + id + "."));
        quirk.retiredAt = clock.instant();
        logbook.write(LogDraft.of(
                        LogKind.QUIRK_NOTED,
                        machineId(quirk.scope, quirk.holder),
                        "QUIRK",
                        id,
                        clock.instant(),
                        "No longer a quirk: " + quirk.text,
                        Map.of(),
                        keeper)
                .noting(why));
    }

    /** Which controller a machine has, in the shop's own words; blank for not known. */
    public void controller(String machine, String name) {
        Actor keeper = Actor.require(Role.KEEPER);
        MachineRef ref = fleet.machineOfEntry(machine);
        Findings findings = new Findings();
        findings.when(
                name != null && name.length() > 60,
                "controller",
                "A controller's name may have 60 characters at most.");
        Refused.unless(findings);
        String kept = Typed.orNull(name);
        machines.findById(ref.id()).orElseThrow().controller = kept;
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                ref.id(),
                "SHOP",
                1,
                clock.instant(),
                ref.name() + " has the controller " + (kept == null ? "that nobody named" : kept) + ".",
                Map.of(),
                keeper));
    }

    /** Machine code to the name of its controller, where that is known. */
    @Transactional(readOnly = true)
    public Map<String, String> controllers() {
        return machines.findAll().stream()
                .filter(m -> m.controller != null && m.retiredAt == null)
                .collect(Collectors.toMap(m -> m.code, m -> m.controller));
    }

    /** One test piece on two machines: what each shows, and whether they differ. */
    public void compare(
            String piece, String first, String firstShows, String second, String secondShows, boolean differs) {
        Actor actor = Actor.current();
        MachineRef one = fleet.machineOfEntry(first);
        MachineRef two = fleet.machineOfEntry(second);
        Findings findings = new Findings();
        findings.text(piece, 120, "piece", "The test piece");
        findings.text(firstShows, LONGEST, "firstShows", "What the first shows");
        findings.text(secondShows, LONGEST, "secondShows", "What the second shows");
        findings.when(one.id() == two.id(), "second", "Choose two machines.");
        Refused.unless(findings);
        ComparisonRecord kept = new ComparisonRecord();
        kept.piece = piece.strip();
        kept.firstMachineId = one.id();
        kept.firstShows = firstShows.strip();
        kept.secondMachineId = two.id();
        kept.secondShows = secondShows.strip();
        kept.differs = differs;
        kept.at = clock.instant();
        kept.personId = actor.personId();
        entities.persist(kept);
        String headline =
                piece.strip() + " on " + one.name() + " and " + two.name() + (differs ? ": they differ." : ": alike.");
        note(one.id(), 0, headline, actor);
        note(two.id(), 0, headline, actor);
    }

    @Transactional(readOnly = true)
    public List<Comparison> comparisons() {
        return records.comparisons(SHOWN);
    }

    private Long machineId(Quirk.Scope scope, String holder) {
        return scope == Quirk.Scope.MACHINE
                ? Long.valueOf(fleet.machineOfEntry(holder.strip()).id())
                : null;
    }

    private void note(Long machine, long id, String headline, Actor by) {
        String kept = headline.length() > LONGEST ? headline.substring(0, LONGEST - 1) + "…" : headline;
        logbook.write(LogDraft.of(LogKind.QUIRK_NOTED, machine, "QUIRK", id, clock.instant(), kept, Map.of(), by));
    }
}
