package keel.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.film.Vats;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineEntry;
import keel.app.fleet.ModelEntry;
import keel.app.fleet.PartModels;
import keel.app.fleet.Parts;
import keel.app.fleet.Shelf;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.People;
import keel.app.people.Role;
import keel.app.shell.Home;
import keel.app.shell.ShopClock;
import keel.app.stores.Buying;
import keel.app.stores.Resins;
import keel.app.stores.Seats;
import keel.app.stores.Sharing;
import keel.app.stores.Stock;
import keel.core.bolts.VatFrame;
import keel.core.film.FilmSeat;
import keel.core.resin.VatSize;
import keel.core.standing.MachineKind;
import keel.sim.shop.Happening;
import keel.sim.story.Saltmarsh;
import keel.sim.story.Story;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Sets up the invented shop and replays its story through the application's own services, in one transaction. */
@Component
class DemoShop {

    private static final String BOUGHT_USED = "Fulmar";

    private static final String KEEPER = "keeper";
    private static final int WARRANTY_MONTHS = 6;
    private static final int USUAL_MONTHS = 14;

    /** A long past is written in pieces. */
    private static final int AT_ONCE = 4_000;

    private final People people;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Resins resins;
    private final Stock stock;
    private final Shelf shelf;
    private final Vats vats;
    private final Seats seats;
    private final PartModels panels;
    private final Buying buying;
    private final Sharing sharing;
    private final ShopClock clock;
    private final Replay replay;
    private final UpkeepPast upkeep;
    private final WeekAhead week;
    private final FilesRead files;
    private final Path home;
    private final TransactionTemplate transaction;
    private final Story.Size size;
    private final Map<String, Actor> actors = new HashMap<>();

    DemoShop(
            People people,
            Fleet fleet,
            ShopSettings settings,
            Resins resins,
            Stock stock,
            Shelf shelf,
            Vats vats,
            Seats seats,
            PartModels panels,
            Buying buying,
            Sharing sharing,
            ShopClock clock,
            Replay replay,
            UpkeepPast upkeep,
            WeekAhead week,
            FilesRead files,
            PlatformTransactionManager transactions,
            @Value("${keel.home}") Path home,
            @Value("${keel.demo.machines:7}") int machines,
            @Value("${keel.demo.months:14}") int months) {
        this.people = people;
        this.fleet = fleet;
        this.settings = settings;
        this.resins = resins;
        this.stock = stock;
        this.shelf = shelf;
        this.vats = vats;
        this.seats = seats;
        this.panels = panels;
        this.buying = buying;
        this.sharing = sharing;
        this.clock = clock;
        this.replay = replay;
        this.upkeep = upkeep;
        this.week = week;
        this.files = files;
        this.home = home;
        this.transaction = new TransactionTemplate(transactions);
        boolean usual = machines == Story.Size.SALTMARSH.machines() && months == USUAL_MONTHS;
        this.size = usual ? Story.Size.SALTMARSH : Story.Size.of(machines, months);
    }

    /** Makes the shop unless it is there already; answers whether it did. The usual one is whole or not at all. */
    public boolean make() {
        if (!people.nobodyYet()) {
            return false;
        }
        Home.unfinished(home, true);
        Instant now = clock.instant();
        Story.Told story = Story.tell(Story.SEED, now, ZoneId.systemDefault(), size);
        try {
            clock.tell(story.start());
            if (size.equals(Story.Size.SALTMARSH)) {
                transaction.executeWithoutResult(t -> {
                    setUp(story);
                    replay.enter(story.happenings(), actors);
                    upkeep.tell(story.start(), now, actors.get(KEEPER));
                    week.tell(now, actors);
                    files.tell(now, actors);
                });
            } else {
                transaction.executeWithoutResult(t -> setUp(story));
                inPieces(story.happenings());
                transaction.executeWithoutResult(t -> {
                    upkeep.tell(story.start(), now, actors.get(KEEPER));
                    week.tell(now, actors);
                    files.tell(now, actors);
                });
            }
        } finally {
            clock.tell(null);
            SecurityContextHolder.clearContext();
        }
        Home.unfinished(home, false);
        return true;
    }

    private void inPieces(List<Happening> all) {
        int last = Replay.firstOfTheEnd(all);
        replay.enterPastInPieces(
                all.subList(0, last),
                actors,
                AT_ONCE,
                entered -> System.err.printf("Making the shop: %d of %d entries%n", entered, all.size()));
        replay.enterNow(all.subList(last, all.size()), actors);
    }

    /** Writes the token of the open interface, last, when the data are complete. */
    void writeToken() {
        Path file = home.resolve("api-token");
        if (Files.exists(file)) {
            return;
        }
        Replay.as(people.anOwner().orElseThrow());
        try {
            Home.writeSecret(file, people.makeToken("demo", Role.OWNER) + "\n");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    private void setUp(Story.Told story) {
        Saltmarsh.PersonSpec owner = Saltmarsh.PEOPLE.get(0);
        actors.put(owner.signIn(), people.first(owner.signIn(), owner.name(), owner.password()));
        Replay.as(actors.get("owner"));
        people.changeOwnPin(owner.password(), owner.pin());
        for (Saltmarsh.PersonSpec p : Saltmarsh.PEOPLE.subList(1, Saltmarsh.PEOPLE.size())) {
            People.PersonView added = people.add(p.signIn(), p.name(), Role.valueOf(p.role()), p.password(), p.pin());
            actors.put(p.signIn(), new Actor(added.id(), added.signIn(), added.name(), added.role(), null, 0));
        }
        settings.rename(Saltmarsh.NAME, ZoneId.systemDefault().getId());
        Saltmarsh.ROOMS.forEach(fleet::addRoom);
        Saltmarsh.RESINS.forEach(r -> resins.add(r.name(), r.density(), r.family()));
        describe("reed-grey", 1.11, "Grey", 20.0, 28.0, "ORDINARY");
        describe("mussel-blue", 1.12, "Blue", 20.0, 28.0, "ORDINARY");
        describe("cast-amber", 1.08, "Amber", 22.0, 30.0, "BRITTLE");
        describe("silt-tough", 1.10, "Grey", 22.0, 30.0, "TOUGH");
        Saltmarsh.ITEMS.forEach(i -> stock.addItem(i.name(), i.unit(), i.lowAt(), i.first()));
        Saltmarsh.MODELS.forEach(m -> fleet.addModel(model(m)));
        Saltmarsh.machines(size.machines()).forEach(m -> fleet.addMachine(machine(m, story.start())));
        Saltmarsh.TERMS.forEach(t -> buying.change(
                t.item(),
                new Buying.Terms(
                        t.packSize(), t.price(), t.supplier(), t.place(), t.leadDays(), t.leadDaysSd(), t.hurts())));
        List.of(
                        "nitrile-gloves",
                        "isopropyl-alcohol",
                        "paper-filters",
                        "paper-towels",
                        "cutting-blades",
                        "respirator-cartridges",
                        "fan-filters")
                .forEach(i -> sharing.change(i, true));
        Saltmarsh.PANELS.forEach(p -> panels.add(panel(p)));
        Saltmarsh.ORIGINS.forEach(o -> origin(o, LocalDate.ofInstant(story.start(), ZoneId.systemDefault())));
        stock.spare("laser-tank-115", "TANK", "needle-115");
        shelf.addVat("tern-144", new Parts.Sheet("FEP", 0.127), Parts.Baseline.NEW);
        shelf.addVat("tern-208-tilting", null, Parts.Baseline.NEW);
        vats.all(false).stream()
                .map(Vats.Vat::model)
                .distinct()
                .forEach(m -> seats.measure(m.id(), m.name(), seat(Saltmarsh.seat(m.code()))));
    }

    private void describe(String resin, double density, String family, double fromC, double toC, String nature) {
        resins.change(
                resin,
                new Resins.Nature(density, family, fromC, toC, nature, "ALCOHOL", "red folder, Long Room door", null));
    }

    private static PartModels.Entry panel(Saltmarsh.PanelSpec p) {
        Saltmarsh.ModelSpec fits = Saltmarsh.MODELS.stream()
                .filter(m -> Fleet.freeCode(m.name(), c -> false).equals(p.fits()))
                .findFirst()
                .orElseThrow();
        return new PartModels.Entry(
                ComponentKind.valueOf(p.kind()),
                p.name(),
                p.revision(),
                p.source(),
                fits.pixelsX(),
                fits.pixelsY(),
                fits.widthMm(),
                fits.depthMm(),
                p.price(),
                List.of(p.fits()));
    }

    private void origin(Saltmarsh.OriginSpec o, LocalDate start) {
        LocalDate bought = start.minusDays(o.boughtDaysBefore());
        shelf.originOf(
                o.part(),
                new Shelf.Origin(
                        panels.called(o.model()).id(),
                        o.serial(),
                        o.batch(),
                        bought,
                        bought.plusMonths(WARRANTY_MONTHS),
                        null));
    }

    private static FilmSeat seat(Saltmarsh.SeatSpec s) {
        return new FilmSeat(
                s.cornerScrewMm(),
                s.sideScrewMm(),
                s.spacerMm(),
                s.pressMm(),
                s.lipMm(),
                s.sheetLengthMm(),
                s.sheetWidthMm(),
                s.vatPrice());
    }

    static ModelEntry model(Saltmarsh.ModelSpec m) {
        return new ModelEntry(
                m.name(),
                MachineKind.valueOf(m.kind()),
                m.widthMm(),
                m.depthMm(),
                m.heightMm(),
                m.pixelsX(),
                m.pixelsY(),
                m.release(),
                m.selfLevelling(),
                m.resinSensing(),
                false,
                m.selfFilling(),
                m.wholeAreaLight(),
                m.joint(),
                m.fillLineMl(),
                new VatFrame(
                        m.frame().windowLengthMm(),
                        m.frame().windowWidthMm(),
                        null,
                        m.frame().clampLong(),
                        m.frame().clampShort(),
                        m.frame().frameLong(),
                        m.frame().frameShort()),
                new VatSize(m.vat().lengthMm(), m.vat().widthMm(), m.vat().depthMm()));
    }

    /** Greased and abraded when it came on record; of the one that was bought used nobody knows its light. */
    static MachineEntry machine(Saltmarsh.MachineSpec m, Instant since) {
        return new MachineEntry(
                m.name(),
                m.model(),
                m.room(),
                m.school(),
                false,
                m.sieves(),
                since,
                m.counterHours(),
                "FEP",
                0.127,
                m.filmHours(),
                m.screenUvHours(),
                m.name().equals(BOUGHT_USED) ? null : Double.valueOf(m.lightHours()),
                new MachineEntry.Before(0.0, 0.0, false));
    }
}
