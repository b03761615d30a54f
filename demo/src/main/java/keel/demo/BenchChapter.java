package keel.demo;

import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.film.FilmLives;
import keel.app.film.FilmLooks;
import keel.app.film.FilmTones;
import keel.app.film.Vats;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.fleet.PartModels;
import keel.app.fleet.Parts;
import keel.app.fleet.Quirks;
import keel.app.fleet.Shelf;
import keel.app.screen.ScreenInspections;
import keel.app.screen.UvMaps;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.stores.FilmPacks;
import keel.core.film.Recording;
import keel.core.screen.TestPattern;
import keel.sim.shop.Happening;
import org.springframework.stereotype.Component;

/** Work at the bench: services, films, screens, quirks. */
@Component
class BenchChapter implements Chapter {

    private final Bench bench;
    private final Parts parts;
    private final Shelf shelf;
    private final Fleet fleet;
    private final Quirks quirks;
    private final FilmPacks packs;
    private final Vats vats;
    private final FilmLooks looks;
    private final FilmTones tones;
    private final FilmLives lives;
    private final PartModels panels;
    private final ScreenInspections inspections;
    private final UvMaps uvMaps;
    private final Standings standings;

    BenchChapter(
            Bench bench,
            Parts parts,
            Shelf shelf,
            Fleet fleet,
            Quirks quirks,
            FilmPacks packs,
            Vats vats,
            FilmLooks looks,
            FilmTones tones,
            FilmLives lives,
            PartModels panels,
            ScreenInspections inspections,
            UvMaps uvMaps,
            Standings standings) {
        this.bench = bench;
        this.parts = parts;
        this.shelf = shelf;
        this.fleet = fleet;
        this.quirks = quirks;
        this.packs = packs;
        this.vats = vats;
        this.looks = looks;
        this.tones = tones;
        this.lives = lives;
        this.panels = panels;
        this.inspections = inspections;
        this.uvMaps = uvMaps;
        this.standings = standings;
    }

    @Override
    public void tell(Telling telling) {
        telling.on(
                Happening.ServiceDone.class,
                s -> bench.record(new ServiceEntry(s.machine(), s.kind(), s.at(), s.note(), s.values())));
        telling.on(
                Happening.QuirkNoted.class,
                q -> quirks.add("MACHINE", q.machine(), q.code(), q.text(), q.workaround()));
        telling.on(
                Happening.Compared.class,
                c -> quirks.compare(c.piece(), c.first(), c.firstShows(), c.second(), c.secondShows(), true));
        telling.on(Happening.PackBought.class, this::pack);
        telling.on(Happening.FilmLooked.class, this::look);
        telling.on(Happening.FilmTapped.class, this::tap);
        telling.on(Happening.FilmTried.class, t -> lives.experiment(vatOf(t.machine()), t.what()));
        telling.on(Happening.ScreenBought.class, this::screen);
        telling.on(Happening.ScreenPhotographed.class, this::photograph);
        telling.on(Happening.UvMapped.class, u -> uvMaps.keep(standings.of(u.machine()), u.readings()));
    }

    private void pack(Happening.PackBought b) {
        packs.add(new FilmPacks.PackEntry(
                b.supplier(), b.lot(), "FEP", b.thicknessMm(), b.lengthMm(), b.widthMm(), b.sheets(), b.price()));
    }

    private Vats.Vat vatOf(String machine) {
        return vats.one(parts.vatOn(fleet.machine(machine).id()).code());
    }

    private void look(Happening.FilmLooked l) {
        Vats.Vat vat = vatOf(l.machine());
        FilmLooks.Leak leak = l.leak() == null ? null : FilmLooks.Leak.valueOf(l.leak());
        looks.write(
                vat.code(),
                new FilmLooks.LookEntry(l.clouding(), l.uvBare(), l.uvThrough(), leak, l.marks(), null),
                vat.model().plateWidthMm(),
                vat.model().plateDepthMm());
    }

    private void tap(Happening.FilmTapped t) {
        Vats.Vat vat = vatOf(t.machine());
        Recording centre = Recording.ofWav(t.centre().bytes());
        Recording quarter = Recording.ofWav(t.quarter().bytes());
        long id = tones.keep(vat, tones.hear(vat, centre, quarter), t.temperatureC());
        if (t.right()) {
            tones.refer(vat, id);
        }
    }

    private void screen(Happening.ScreenBought b) {
        shelf.addSpare(
                ComponentKind.SCREEN,
                new Shelf.Origin(
                        panels.called(b.model()).id(),
                        b.serial(),
                        b.batch(),
                        b.boughtOn(),
                        b.warrantyUntil(),
                        b.price()));
    }

    private void photograph(Happening.ScreenPhotographed p) {
        MachineNow m = standings.of(p.machine());
        inspections.writeAll(m, inspections.look(m, p.png().bytes(), TestPattern.WHITE), p.typed());
    }
}
