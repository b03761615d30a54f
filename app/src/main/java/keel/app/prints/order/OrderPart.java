package keel.app.prints.order;

import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;

/** A part of an order; its sides and what it takes of resin are null where nobody said. */
@Entity
class OrderPart {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @ManyToOne(fetch = FetchType.LAZY, optional = false)
    @JoinColumn(name = "order_id")
    PartOrder order;

    int place;
    String name;
    int wanted;
    Double widthMm;
    Double depthMm;
    Double heightMm;
    Double ml;

    void take(PartEntry entry, int at) {
        place = at;
        name = entry.name().strip();
        wanted = entry.wanted();
        widthMm = entry.widthMm();
        depthMm = entry.depthMm();
        heightMm = entry.heightMm();
        ml = entry.ml();
    }

    PartEntry entry() {
        return new PartEntry(id, name, wanted, widthMm, depthMm, heightMm, ml);
    }
}
