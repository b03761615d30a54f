package keel.app.floor.begin;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineEntry;
import keel.app.fleet.ModelEntry;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.app.standing.Standings;
import keel.app.stores.Resins;
import keel.core.Finding;
import keel.core.Findings;
import keel.core.begin.Beginning;
import keel.core.bolts.VatFrame;
import keel.core.resin.VatSize;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Machines with what is known of them, each written through the rooms that own it; all of them or none. */
@Service
@Transactional
public class MachinesBegin {

    static final int MOST = 40;
    /** A machine is on record for so long before it is set up, so that its last prints can be entered. */
    private static final int LATELY_DAYS = 14;

    private final Beginning beginning = Beginning.shipped();
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Resins resins;
    private final Bench bench;
    private final Standings standings;
    private final Clock clock;

    MachinesBegin(Fleet fleet, ShopSettings settings, Resins resins, Bench bench, Standings standings, Clock clock) {
        this.fleet = fleet;
        this.settings = settings;
        this.resins = resins;
        this.bench = bench;
        this.standings = standings;
        this.clock = clock;
    }

    /**
     * Machines with what is known of them; a model of a preset's name is made where there is none. All of them or none.
     *
     * @throws Refused with the row before each field, as in {@code 2.filmH}
     */
    public void machines(List<MachineSaid> said) {
        Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.when(said.isEmpty(), "", "Name at least one machine.");
        findings.when(said.size() > MOST, "", "That is more than " + MOST + " machines; bring them in as a table.");
        namesOnce(said, findings);
        Refused.unless(findings);
        Map<String, String> models = new HashMap<>();
        for (int row = 0; row < said.size(); row++) {
            try {
                machine(said.get(row), models);
            } catch (Refused e) {
                InRow.add(e.findings(), row, said.get(row).name(), findings);
            } catch (Conflict e) {
                InRow.add(
                        List.of(new Finding(e.field(), e.getMessage())),
                        row,
                        said.get(row).name(),
                        findings);
            }
        }
        Refused.unless(findings);
    }

    private void namesOnce(List<MachineSaid> said, Findings findings) {
        Set<String> taken = ShopBegins.lower(
                fleet.machines().stream().map(Fleet.MachineView::name).toList());
        for (int row = 0; row < said.size(); row++) {
            String name = said.get(row).name();
            if (name != null && !name.isBlank()) {
                findings.when(
                        !taken.add(name.strip().toLowerCase(Locale.ROOT)),
                        row + ".name",
                        "There is a machine called " + name.strip() + " already.");
            }
        }
    }

    private void machine(MachineSaid said, Map<String, String> models) {
        Beginning.Preset preset = beginning
                .model(said.preset())
                .orElseThrow(() -> new Refused("preset", "Choose what kind of machine it is."));
        LocalDate today = LocalDate.ofInstant(clock.instant(), settings.zone());
        LocalDate levelled = said.levelledOn();
        Findings findings = new Findings();
        findings.when(
                levelled != null && levelled.isAfter(today),
                "levelledOn",
                "It cannot have been levelled in the future.");
        findings.when(
                said.saysResin() && said.resinMl() == null,
                "resinMl",
                "How much resin is in it is missing; a guess will do.");
        findings.when(
                !said.saysResin() && said.resinMl() != null && said.resinMl() > 0,
                "resin",
                "Which resin is in it is missing.");
        Refused.unless(findings);
        LocalDate lately = today.minusDays(LATELY_DAYS);
        LocalDate since = levelled != null && levelled.isBefore(lately) ? levelled : lately;
        String model = models.computeIfAbsent(preset.code(), c -> modelOf(preset));
        String code = fleet.addMachine(entry(said, preset, model, at(since, LocalTime.MIN)));
        if (levelled != null) {
            Instant noon = at(levelled, LocalTime.NOON);
            Instant when = noon.isAfter(clock.instant()) ? clock.instant() : noon;
            bench.record(
                    new ServiceEntry(code, ServiceKind.LEVELLING.name(), when, null, Map.of("school", preset.level())));
        }
        if (said.saysResin()) {
            resins.pour(standings.of(code).vat().code(), said.resin(), said.resinMl(), null);
        }
    }

    private Instant at(LocalDate day, LocalTime time) {
        ZoneId zone = settings.zone();
        return day.atTime(time).atZone(zone).toInstant();
    }

    private static MachineEntry entry(MachineSaid said, Beginning.Preset preset, String model, Instant since) {
        boolean fresh = said.fresh();
        MachineEntry usual = MachineEntry.EMPTY;
        return new MachineEntry(
                said.name(),
                model,
                said.room(),
                preset.level(),
                false,
                false,
                since,
                said.counterH() == null ? 0 : said.counterH(),
                usual.filmMaterial(),
                usual.filmThicknessMm(),
                used(fresh, said.filmH()),
                used(fresh, said.screenUvH()),
                used(fresh, null),
                new MachineEntry.Before(used(fresh, said.greasedH()), used(fresh, said.abradedH()), said.emptyVat()));
    }

    private static Double used(boolean fresh, Double hours) {
        return hours == null && fresh ? Double.valueOf(0) : hours;
    }

    private String modelOf(Beginning.Preset p) {
        return fleet.models().stream()
                .filter(m -> !m.retired() && m.entry().name().equalsIgnoreCase(p.name()))
                .map(Fleet.ModelView::code)
                .findFirst()
                .orElseGet(() -> fleet.addModel(new ModelEntry(
                        p.name(),
                        p.kind(),
                        p.widthMm(),
                        p.depthMm(),
                        p.heightMm(),
                        p.pixelsX(),
                        p.pixelsY(),
                        "PEEL",
                        p.level().equals("SELF"),
                        false,
                        false,
                        false,
                        true,
                        "BALL",
                        null,
                        VatFrame.UNKNOWN,
                        VatSize.UNKNOWN)));
    }
}
