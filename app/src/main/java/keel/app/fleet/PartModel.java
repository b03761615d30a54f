package keel.app.fleet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.JoinTable;
import jakarta.persistence.ManyToMany;
import java.time.Instant;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** A model of screen or light engine, and the machines that it fits. */
@Entity
class PartModel {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

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
    Instant at;
    long personId;
    Instant retiredAt;

    @ManyToMany
    @JoinTable(
            name = "part_model_fits",
            joinColumns = @JoinColumn(name = "part_model_id"),
            inverseJoinColumns = @JoinColumn(name = "machine_model_id"))
    Set<MachineModel> fits = new HashSet<>();

    /** Why it is not for such a model of machine, in words; empty where it is. */
    Optional<String> unfitFor(MachineModel machine) {
        if (fits.stream().noneMatch(m -> m.id.equals(machine.id))) {
            return Optional.of("it is not for a " + machine.name);
        }
        boolean known = pixelsX != null && pixelsY != null && machine.pixelsX != null && machine.pixelsY != null;
        return !known || pixelsX.equals(machine.pixelsX) && pixelsY.equals(machine.pixelsY)
                ? Optional.empty()
                : Optional.of("it has " + pixelsX + " × " + pixelsY + " pixels, a " + machine.name + " shows "
                        + machine.pixelsX + " × " + machine.pixelsY);
    }

    /** Its name with its revision. */
    String words() {
        return name + (revision == null ? "" : " " + revision);
    }
}
