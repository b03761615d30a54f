package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import keel.core.wear.Usage;

/** Derived: what a machine or a part has been through. */
@Entity
@IdClass(Meter.Key.class)
class Meter {

    record Key(MeterScope scope, long ownerId) implements Serializable {}

    @Id
    @Enumerated(EnumType.STRING)
    MeterScope scope;

    @Id
    long ownerId;

    double hours;
    double uvHours;
    long layers;
    long prints;
    double resinMl;

    Usage usage() {
        return new Usage(hours, uvHours, layers, prints, resinMl);
    }

    void take(Usage usage) {
        hours = usage.hours();
        uvHours = usage.uvHours();
        layers = usage.layers();
        prints = usage.prints();
        resinMl = usage.resinMl();
    }
}
