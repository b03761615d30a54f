package keel.app.floor.begin;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
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
import keel.app.prints.GuessedRuns;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.standing.Standings;
import keel.app.stores.ResinView;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.core.Finding;
import keel.core.Findings;
import keel.core.begin.Beginning;
import keel.core.begin.Names;
import keel.core.bolts.VatFrame;
import keel.core.resin.VatSize;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What a shop has when it comes on record, said at once: rooms, resins, machines with what is known of them, a store.
 * Each is written through the service that owns it, all of a page or nothing; what is there already is left alone.
 */
@Service
@Transactional
public class ShopBegins {

    private static final int MOST = 40;
    /** A machine is on record for so long before it is set up, so that its last prints can be entered. */
    private static final int LATELY_DAYS = 14;

    private static final double MS_AN_HOUR = 3_600_000;
    /** How long ago "just now" is: whatever is done after the print comes later. */
    private static final Duration JUST = Duration.ofMinutes(1);

    private final Fleet fleet;
    private final ShopSettings settings;
    private final Resins resins;
    private final Stock stock;
    private final Bench bench;
    private final Standings standings;
    private final Runs runs;
    private final GuessedRuns guesses;
    private final Clock clock;
    private final Beginning beginning = Beginning.shipped();

    ShopBegins(
            Fleet fleet,
            ShopSettings settings,
            Resins resins,
            Stock stock,
            Bench bench,
            Standings standings,
            Runs runs,
            GuessedRuns guesses,
            Clock clock) {
        this.fleet = fleet;
        this.settings = settings;
        this.resins = resins;
        this.stock = stock;
        this.bench = bench;
        this.standings = standings;
        this.runs = runs;
        this.guesses = guesses;
        this.clock = clock;
    }

    public Beginning beginning() {
        return beginning;
    }

    /**
     * Name and zone of the shop, its rooms and the resins it prints with.
     *
     * @param rooms names between commas
     * @param printed names of resins between commas
     */
    public void shop(String name, String zone, String rooms, String printed) {
        Actor.require(Role.OWNER);
        List<String> places = Names.of(rooms);
        Findings findings = new Findings();
        findings.when(
                places.isEmpty() && openRooms().isEmpty(), "rooms", "Name at least one room: machines stand in it.");
        findings.when(places.size() > MOST, "rooms", "That is more than " + MOST + " rooms.");
        findings.when(Names.of(printed).size() > MOST, "resins", "That is more than " + MOST + " resins.");
        Refused.unless(findings);
        settings.rename(name, zone);
        Set<String> there = lower(openRooms().stream().map(Fleet.RoomView::name).toList());
        addNew(places, there, fleet::addRoom);
        Set<String> known = lower(resins.all(true).stream().map(ResinView::name).toList());
        addNew(Names.of(printed), known, r -> resins.add(r, null));
    }

    private static Set<String> lower(List<String> names) {
        return names.stream().map(n -> n.toLowerCase(Locale.ROOT)).collect(Collectors.toCollection(HashSet::new));
    }

    private static void addNew(List<String> names, Set<String> there, Consumer<String> add) {
        names.stream().filter(n -> there.add(n.toLowerCase(Locale.ROOT))).forEach(add);
    }

    private List<Fleet.RoomView> openRooms() {
        return fleet.rooms().stream().filter(r -> !r.retired()).toList();
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
                inRow(e.findings(), row, said.get(row).name(), findings);
            } catch (Conflict e) {
                inRow(
                        List.of(new Finding(e.field(), e.getMessage())),
                        row,
                        said.get(row).name(),
                        findings);
            }
        }
        Refused.unless(findings);
    }

    private void namesOnce(List<MachineSaid> said, Findings findings) {
        Set<String> taken =
                lower(fleet.machines().stream().map(Fleet.MachineView::name).toList());
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

    private static void inRow(List<Finding> found, int row, String name, Findings findings) {
        String of = name.isEmpty() ? "" : name + ": ";
        found.forEach(f -> findings.add(row + "." + FIELDS.getOrDefault(f.field(), f.field()), of + f.message()));
    }

    /** What other services call a field, and what it is called in a row. */
    private static final Map<String, String> FIELDS = Map.of(
            "baselineHours", "counterH",
            "filmHours", "filmH",
            "screenUvHours", "screenUvH",
            "lubricatedH", "greasedH",
            "ml", "resinMl",
            "at", "levelledOn");

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

    /**
     * A print of a machine as somebody remembers it.
     *
     * @param endedAt null for just now
     */
    public record Remembered(String machine, String job, Double hours, Instant endedAt, String outcome) {}

    /**
     * The last print of each machine; what nobody knows of it is reckoned from its hours. All of them or none.
     *
     * @param prints null for a row in which nothing was said
     * @param cleared whether their plates have been cleared since
     * @throws Refused with the row before each field
     */
    public void prints(List<Remembered> prints, boolean cleared) {
        Findings findings = new Findings();
        for (int row = 0; row < prints.size(); row++) {
            Remembered p = prints.get(row);
            if (p == null) {
                continue;
            }
            try {
                print(p);
                if (cleared) {
                    bench.record(new ServiceEntry(p.machine(), ServiceKind.PLATE_CLEARED.name(), null, null, Map.of()));
                }
            } catch (Refused e) {
                inRow(e.findings(), row, "", findings);
            } catch (Conflict e) {
                inRow(List.of(new Finding("job", e.getMessage())), row, "", findings);
            }
        }
        Refused.unless(findings);
    }

    private void print(Remembered p) {
        Findings findings = new Findings();
        findings.range(p.hours(), 0.02, 500, "hours", "How long it printed", "h");
        findings.text(p.job(), 120, "job", "What was printed");
        Refused.unless(findings);
        Instant ended = p.endedAt() == null ? clock.instant().minus(JUST) : p.endedAt();
        Instant started = ended.minusMillis(Math.round(p.hours() * MS_AN_HOUR));
        runs.enter(guesses.filled(
                new RunEntry(p.machine(), p.job(), started, ended, null, null, null, p.outcome(), null, null)));
    }

    /**
     * Something to count in the stores.
     *
     * @param item place in the list of what a store begins with
     * @param onHand null where nobody counted
     */
    public record Counted(int item, Double onHand) {}

    public void stores(List<Counted> counted) {
        Actor.require(Role.KEEPER);
        Set<String> there =
                lower(stock.all(true).stream().map(Stock.ItemView::name).toList());
        List<Counted> fresh = new ArrayList<>();
        for (Counted c : counted) {
            if (c.item() >= 0
                    && c.item() < beginning.stock().size()
                    && there.add(beginning.stock().get(c.item()).name().toLowerCase(Locale.ROOT))) {
                fresh.add(c);
            }
        }
        for (Counted c : fresh) {
            Beginning.Item item = beginning.stock().get(c.item());
            try {
                stock.addItem(item.name(), item.unit(), item.lowAt(), c.onHand());
            } catch (Refused e) {
                Findings findings = new Findings();
                e.findings().forEach(f -> findings.add("onHand" + c.item(), item.name() + ": " + f.message()));
                Refused.unless(findings);
            }
        }
    }
}
