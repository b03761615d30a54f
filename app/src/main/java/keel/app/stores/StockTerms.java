package keel.app.stores;

import jakarta.persistence.Embeddable;
import keel.app.base.Typed;

/** How an item is bought; what is not known is null. */
@Embeddable
class StockTerms {

    Double packSize;
    Double price;
    String supplier;
    String place;
    Double leadDays;
    Double leadDaysSd;
    String hurts;

    void take(Buying.Terms terms) {
        packSize = terms.packSize();
        price = terms.price();
        supplier = Typed.orNull(terms.supplier());
        place = Typed.orNull(terms.place());
        leadDays = terms.leadDays();
        leadDaysSd = terms.leadDaysSd();
        hurts = terms.hurts();
    }

    Buying.Terms view() {
        return new Buying.Terms(packSize, price, supplier, place, leadDays, leadDaysSd, hurts);
    }
}
