package keel.app.fleet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A model of screen or light engine, for whoever has to name or price it. */
@Entity
@Immutable
@Synchronize("part_model")
class PartModelCard {

    @Id
    long id;

    String code;

    @Enumerated(EnumType.STRING)
    ComponentKind kind;

    String name;
    String revision;
    String source;

    @Column(name = "pixels_x")
    Integer pixelsX;

    @Column(name = "pixels_y")
    Integer pixelsY;

    Double widthMm;
    Double depthMm;
    Double price;
}
