package keel.demo;

import java.util.List;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.stores.Baths;
import keel.app.stores.Bottles;
import keel.app.stores.Finishing;
import keel.app.stores.Incidents;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.app.stores.Waste;
import keel.sim.shop.Happening;
import org.springframework.stereotype.Component;

/** Stores: resin, stock, the wash place, waste, and what went wrong with hands and floors. */
@Component
class StoresChapter implements Chapter {

    private static final double BOTTLE_ML = 1000;

    private final Resins resins;
    private final Bottles bottles;
    private final Stock stock;
    private final Parts parts;
    private final Fleet fleet;
    private final Baths baths;
    private final Finishing finishing;
    private final Waste waste;
    private final Incidents incidents;
    private final StoryKeys keys;

    StoresChapter(
            Resins resins,
            Bottles bottles,
            Stock stock,
            Parts parts,
            Fleet fleet,
            Baths baths,
            Finishing finishing,
            Waste waste,
            Incidents incidents,
            StoryKeys keys) {
        this.resins = resins;
        this.bottles = bottles;
        this.stock = stock;
        this.parts = parts;
        this.fleet = fleet;
        this.baths = baths;
        this.finishing = finishing;
        this.waste = waste;
        this.incidents = incidents;
        this.keys = keys;
    }

    @Override
    public void tell(Telling telling) {
        telling.on(
                Happening.ResinPoured.class,
                p -> resins.pour(parts.vatOn(fleet.machine(p.machine()).id()).code(), p.resin(), p.ml(), p.at()));
        telling.on(Happening.BottlesCame.class, this::bottles);
        telling.on(Happening.StockMoved.class, m -> stock.move(m.item(), m.quantity(), m.reason()));
        telling.on(Happening.BathSetUp.class, b -> baths.add(b.kind(), b.place(), b.ml()));
        telling.on(
                Happening.BathFilled.class,
                f -> baths.fill(f.bath(), new Baths.Filling(f.ml(), f.freshDensity(), null, f.swaps())));
        telling.on(Happening.BathRead.class, r -> baths.read(r.bath(), r.density()));
        telling.on(Happening.PrintFinished.class, this::finished);
        telling.on(
                Happening.WastePutAside.class,
                w -> waste.keep(new Waste.Entry(w.kind(), w.amount(), w.place(), w.layerMm(), w.note())));
        telling.on(Happening.WasteCured.class, w -> cured());
        telling.on(
                Happening.WasteHandedIn.class,
                h -> waste.handedIn(waste.here().stream().map(Waste.Lot::id).toList(), h.to()));
        telling.on(Happening.SomethingHappened.class, this::incident);
        telling.on(Happening.LocalRules.class, r -> waste.rules(r.text()));
    }

    private void bottles(Happening.BottlesCame b) {
        List<String> codes = bottles.add(
                new Bottles.Entry(b.resin(), b.count(), BOTTLE_ML, b.lot(), b.price(), b.expiresOn(), true));
        bottles.measured(codes.get(0), b.firstLeftMl());
        bottles.shaken(codes.get(0));
        bottles.countedBy(b.resin(), b.resin() + "-resin");
    }

    private void finished(Happening.PrintFinished p) {
        finishing.write(
                keys.run(p.runKey()),
                new Finishing.Whole(
                        p.first(),
                        p.firstAt(),
                        p.second(),
                        p.secondAt(),
                        p.dryAt(),
                        p.drying(),
                        p.cureAt(),
                        p.doneAt(),
                        p.finish() == null ? null : Finishing.Finish.valueOf(p.finish()),
                        p.supports()));
    }

    private void cured() {
        waste.here().stream().filter(l -> l.raw() && !l.kind().liquid()).forEach(l -> waste.cured(l.id(), true));
    }

    private void incident(Happening.SomethingHappened h) {
        long id = incidents.write(new Incidents.Entry(h.kind(), h.at(), h.whom(), h.what(), h.done()));
        incidents.follow(id, h.after());
    }
}
