package keel.demo;

import java.util.List;
import java.util.Map;
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

/** Enters what happened in the stores, at the wash place and with the waste. */
@Component
class StoresReplay {

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

    StoresReplay(
            Resins resins,
            Bottles bottles,
            Stock stock,
            Parts parts,
            Fleet fleet,
            Baths baths,
            Finishing finishing,
            Waste waste,
            Incidents incidents) {
        this.resins = resins;
        this.bottles = bottles;
        this.stock = stock;
        this.parts = parts;
        this.fleet = fleet;
        this.baths = baths;
        this.finishing = finishing;
        this.waste = waste;
        this.incidents = incidents;
    }

    /** Whether it was one of these. */
    boolean enter(Happening happening, Map<String, Long> runIds) {
        if (happening instanceof Happening.ResinPoured p) {
            resins.pour(parts.vatOn(fleet.machine(p.machine()).id()).code(), p.resin(), p.ml(), p.at());
        } else if (happening instanceof Happening.BottlesCame b) {
            List<String> codes = bottles.add(
                    new Bottles.Entry(b.resin(), b.count(), BOTTLE_ML, b.lot(), b.price(), b.expiresOn(), true));
            bottles.measured(codes.get(0), b.firstLeftMl());
            bottles.shaken(codes.get(0));
            bottles.countedBy(b.resin(), b.resin() + "-resin");
        } else if (happening instanceof Happening.StockMoved m) {
            stock.move(m.item(), m.quantity(), m.reason());
        } else if (happening instanceof Happening.BathSetUp b) {
            baths.add(b.kind(), b.place(), b.ml());
        } else if (happening instanceof Happening.BathFilled f) {
            baths.fill(f.bath(), new Baths.Filling(f.ml(), f.freshDensity(), null, f.swaps()));
        } else if (happening instanceof Happening.BathRead r) {
            baths.read(r.bath(), r.density());
        } else if (happening instanceof Happening.PrintFinished p) {
            finishing.write(
                    runIds.get(p.runKey()),
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
        } else if (happening instanceof Happening.WastePutAside w) {
            waste.keep(new Waste.Entry(w.kind(), w.amount(), w.place(), w.layerMm(), w.note()));
        } else if (happening instanceof Happening.WasteCured) {
            waste.here().stream().filter(l -> l.raw() && !l.kind().liquid()).forEach(l -> waste.cured(l.id(), true));
        } else if (happening instanceof Happening.WasteHandedIn h) {
            waste.handedIn(waste.here().stream().map(Waste.Lot::id).toList(), h.to());
        } else if (happening instanceof Happening.SomethingHappened h) {
            incidents.follow(
                    incidents.write(new Incidents.Entry(h.kind(), h.at(), h.whom(), h.what(), h.done())), h.after());
        } else if (happening instanceof Happening.LocalRules r) {
            waste.rules(r.text());
        } else {
            return false;
        }
        return true;
    }
}
