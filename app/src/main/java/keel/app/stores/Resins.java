package keel.app.stores;

import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Seen;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogFilter;
import keel.app.people.LogKind;
import keel.app.people.LogLine;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.standing.MachineNow;
import keel.app.standing.Occupancy;
import keel.app.standing.Rebuild;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.run.RunRules;
import keel.core.wash.BathKind;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Resins, and what was poured into which vat. */
@Service
@Transactional
public class Resins {

    private final ResinRecords records;
    private final Pours pours;
    private final Bottles bottles;
    private final Parts parts;
    private final Fleet fleet;
    private final Standings standings;
    private final Occupancy occupancy;
    private final Rebuild rebuild;
    private final Logbook logbook;
    private final Clock clock;

    Resins(
            ResinRecords records,
            Pours pours,
            Bottles bottles,
            Parts parts,
            Fleet fleet,
            Standings standings,
            Occupancy occupancy,
            Rebuild rebuild,
            Logbook logbook,
            Clock clock) {
        this.records = records;
        this.pours = pours;
        this.bottles = bottles;
        this.parts = parts;
        this.fleet = fleet;
        this.standings = standings;
        this.occupancy = occupancy;
        this.rebuild = rebuild;
        this.logbook = logbook;
        this.clock = clock;
    }

    public record PourView(long id, String vat, String resin, double ml, Instant at) {}

    @Transactional(readOnly = true)
    public List<ResinView> all(boolean retired) {
        return records.findAll(Sort.by("name")).stream()
                .filter(r -> retired || r.retiredAt == null)
                .map(Resins::view)
                .toList();
    }

    @Transactional(readOnly = true)
    public Optional<ResinView> find(String code) {
        return records.findByCode(code == null ? "" : code).map(Resins::view);
    }

    /** @throws NotThere if there is no such resin */
    @Transactional(readOnly = true)
    public ResinView one(String code) {
        return find(code).orElseThrow(() -> new NotThere("There is no resin called " + code + "."));
    }

    private static ResinView view(Resin r) {
        return new ResinView(
                r.code,
                r.name,
                r.densityGPerMl,
                r.pigmentFamily,
                r.retiredAt != null,
                r.temperatureFromC,
                r.temperatureToC,
                r.nature,
                r.washedIn,
                r.safetySheet,
                r.pricePerLitre,
                r.itemId);
    }

    /** What a resin is like; what is not known is null. */
    public record Nature(
            Double densityGPerMl,
            String family,
            Double temperatureFromC,
            Double temperatureToC,
            String nature,
            String washedIn,
            String safetySheet,
            Double pricePerLitre) {

        Findings findings() {
            Findings findings = new Findings();
            findings.rangeIfGiven(densityGPerMl, 0.7, 3, "densityGPerMl", "The density", "g/ml");
            findings.rangeIfGiven(temperatureFromC, -10, 60, "temperatureFromC", "The lowest temperature", "°C");
            findings.rangeIfGiven(temperatureToC, -10, 80, "temperatureToC", "The highest temperature", "°C");
            findings.rangeIfGiven(pricePerLitre, 0, 100_000, "pricePerLitre", "The price of a litre", "");
            findings.when(
                    temperatureFromC != null && temperatureToC != null && temperatureFromC > temperatureToC,
                    "temperatureToC",
                    "The highest temperature lies below the lowest.");
            findings.when(
                    nature != null && !NATURES.contains(nature), "nature", "A resin is ordinary, brittle or tough.");
            findings.when(
                    washedIn != null
                            && List.of(BathKind.values()).stream()
                                    .noneMatch(k -> k.name().equals(washedIn)),
                    "washedIn",
                    "Choose what it is washed in.");
            findings.when(
                    family != null && family.length() > 40,
                    "family",
                    "A pigment family may have 40 characters at most.");
            findings.when(
                    safetySheet != null && safetySheet.length() > 300,
                    "safetySheet",
                    "Where the safety sheet is may have 300 characters at most.");
            return findings;
        }
    }

    static final List<String> NATURES = List.of("ORDINARY", "BRITTLE", "TOUGH");

    /** How a resin stands, in the words of its form. */
    @Transactional(readOnly = true)
    public Map<String, Object> stands(String code) {
        return stands(known(code));
    }

    private static Map<String, Object> stands(Resin resin) {
        Map<String, Object> stands = new LinkedHashMap<>();
        stands.put("Prints from, °C", resin.temperatureFromC);
        stands.put("to, °C", resin.temperatureToC);
        stands.put("Cured it is", resin.nature);
        stands.put("Washed in", resin.washedIn);
        stands.put("Density, g/ml", resin.densityGPerMl);
        stands.put("A litre costs", resin.pricePerLitre);
        stands.put("Pigment family", resin.pigmentFamily);
        stands.put("Where its safety sheet is", resin.safetySheet);
        return stands;
    }

    private Resin known(String code) {
        return records.findByCode(code).orElseThrow(() -> new NotThere("There is no resin called " + code + "."));
    }

    public void change(String code, Nature nature) {
        change(code, nature, Seen.NOTHING);
    }

    /** @throws keel.app.base.EditedMeanwhile if somebody else changed it since it was seen */
    public void change(String code, Nature nature, Seen seen) {
        Actor keeper = Actor.require(Role.KEEPER);
        Refused.unless(nature.findings());
        Resin resin = known(code);
        seen.check("resin", stands(resin));
        resin.densityGPerMl = nature.densityGPerMl();
        resin.pigmentFamily = Typed.orNull(nature.family());
        resin.temperatureFromC = nature.temperatureFromC();
        resin.temperatureToC = nature.temperatureToC();
        resin.nature = Typed.orNull(nature.nature());
        resin.washedIn = Typed.orNull(nature.washedIn());
        resin.safetySheet = Typed.orNull(nature.safetySheet());
        resin.pricePerLitre = nature.pricePerLitre();
        records.save(resin);
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "SHOP",
                resin.id,
                clock.instant(),
                "Resin " + resin.name + ": what it is like was changed.",
                Map.of("resin", code),
                keeper));
    }

    /** A resin of no named family. */
    public String add(String name, Double densityGPerMl) {
        return add(name, densityGPerMl, null);
    }

    /**
     * @param densityGPerMl g/ml, null if not known
     * @param family resins of one family of pigments may follow one another in a vat; null if not said
     */
    public String add(String name, Double densityGPerMl, String family) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.text(name, 80, "name", "The name of the resin");
        findings.rangeIfGiven(densityGPerMl, 0.7, 3, "densityGPerMl", "The density", "g/ml");
        findings.when(
                family != null && family.length() > 40, "family", "A pigment family may have 40 characters at most.");
        Refused.unless(findings);
        Resin resin = new Resin();
        resin.name = name.strip();
        resin.code = Fleet.freeCode(name, c -> records.findByCode(c).isPresent());
        resin.densityGPerMl = densityGPerMl;
        resin.pigmentFamily = family == null || family.isBlank() ? null : family.strip();
        records.save(resin);
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "SHOP",
                resin.id,
                clock.instant(),
                "Resin " + resin.name + " added.",
                Map.of("resin", resin.code),
                keeper));
        return resin.code;
    }

    /** Machines whose vat holds it now. */
    @Transactional(readOnly = true)
    public List<MachineNow> vatsWith(String code) {
        return standings.all().stream().filter(m -> code.equals(m.resin())).toList();
    }

    /** When something was poured into a vat last. */
    @Transactional(readOnly = true)
    public Optional<Instant> lastPoured(String vatCode) {
        return pours.lastAt(parts.vat(vatCode, "vat").id());
    }

    /** Family of the resin that was in a vat last, if it was named. */
    @Transactional(readOnly = true)
    public Optional<String> familyOf(String vatCode) {
        return pours.lastResin(parts.vat(vatCode, "vat").id())
                .flatMap(records::findById)
                .map(r -> r.pigmentFamily);
    }

    public void retire(String code, boolean retired) {
        Actor.require(Role.KEEPER);
        records.findByCode(code).orElseThrow(() -> new NotThere("There is no resin called " + code + ".")).retiredAt =
                retired ? clock.instant() : null;
    }

    /** Poured into a vat; onto another resin, the machine is held until the vat is emptied and cleaned. */
    public PourView pour(String vatCode, String resinCode, Double ml, Instant when) {
        Actor actor = Actor.current();
        Parts.PartRef vat = parts.vat(vatCode, "vat");
        Resin resin = records.findByCode(resinCode == null ? "" : resinCode)
                .orElseThrow(() -> new Refused("resin", "There is no resin called " + resinCode + "."));
        Findings findings = new Findings();
        findings.range(ml, 1, 20_000, "ml", "The amount", "ml");
        Instant at = when == null ? clock.instant() : when;
        findings.when(at.isAfter(clock.instant().plus(RunRules.CLOCK_TOLERANCE)), "at", "That lies in the future.");
        Refused.unless(findings);
        Long machine = parts.machineOfVat(vat.id());
        if (machine != null) {
            occupancy.lock(machine);
        }
        Pour pour = new Pour();
        pour.vatId = vat.id();
        pour.resinId = resin.id;
        pour.ml = ml;
        pour.at = at;
        pours.save(pour);
        if (machine != null) {
            rebuild.machine(machine, at);
        }
        String where =
                machine == null ? "vat " + vat.code() : fleet.machine(machine).name();
        logbook.write(LogDraft.of(
                LogKind.POURED,
                machine,
                "POUR",
                pour.id,
                at,
                Math.round(ml) + " ml of " + resin.name + " poured into " + where + ".",
                new PourView(pour.id, vat.code(), resin.code, ml, at),
                actor));
        return new PourView(pour.id, vat.code(), resin.code, ml, at);
    }

    /** Takes a pour back that never happened. */
    public void withdraw(long id, String reason) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.text(reason, 400, "reason", "The reason");
        Refused.unless(findings);
        Pour pour = pours.findById(id).orElseThrow(() -> new NotThere("There is no pour " + id + "."));
        if (pour.withdrawn) {
            throw new Conflict("This entry has been withdrawn already.");
        }
        pour.withdrawn = true;
        bottles.giveBack(pour);
        LogLine line = logbook.lines(LogFilter.ofSubject("POUR", id)).get(0);
        Long machine = parts.machineOfVat(pour.vatId);
        if (machine != null) {
            rebuild.machine(machine, pour.at);
        }
        logbook.write(new LogDraft(
                LogKind.POUR_WITHDRAWN,
                machine,
                "POUR",
                id,
                pour.at,
                "Withdrawn: " + line.headline(),
                null,
                Map.of("pour", id),
                actor,
                line.id(),
                reason.strip()));
    }
}
