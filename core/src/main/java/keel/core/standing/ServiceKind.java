package keel.core.standing;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Everything that is done to a machine at the bench. What each says and asks for stands in
 * {@code keel/standing/services.yaml}.
 */
public enum ServiceKind {
    FILM_CHANGE,
    TANK_CHANGE,
    VAT_FITTED,
    VAT_REMOVED,
    SCREEN_CHANGE,
    LIGHT_CHANGE,
    LEVELLING,
    PLATE_WORK,
    PLATE_CLEARED,
    CLEAN_UP,
    VAT_INSPECTED,
    FILM_CLEANED,
    HOLE_CURED,
    SCREEN_INSPECTED,
    WINDOW_INSPECTED,
    DRY_RUN,
    LUBRICATION,
    STANCE_CHECKED,
    COMMISSIONED,
    MOVED,
    PLATE_DROPPED,
    FIRMWARE,
    KEPT_IN_USE,
    OFF,
    ON;

    /** Failure findings that mean that resin is where it must not be. */
    public static final Set<String> LEAKS = Set.of("film-pierced", "spill", "resin-on-screen");

    private ServiceSheet sheet() {
        return ServiceSheet.of(this);
    }

    /** What the logbook says. */
    public String done() {
        return sheet().done();
    }

    /** What a button says. */
    public String task() {
        return sheet().task();
    }

    public Caution caution() {
        return sheet().caution();
    }

    /** Whether it cannot be done while the machine prints. */
    public boolean asksForStandstill() {
        return sheet().standstill();
    }

    /** Whether it can be done to a vat on the shelf, without a machine. */
    public boolean onSpareVat() {
        return sheet().onSpareVat();
    }

    public List<ServiceField> fields() {
        return sheet().fields();
    }

    public Optional<ServiceField> field(String name) {
        return fields().stream().filter(f -> f.name().equals(name)).findFirst();
    }

    /** The kind of that name; none if there is none. */
    public static Optional<ServiceKind> named(String name) {
        return Arrays.stream(values())
                .filter(k -> name != null && k.name().equals(name.strip()))
                .findFirst();
    }

    /** The kinds that a machine with these traits knows. */
    public static Set<ServiceKind> of(MachineTraits traits) {
        Set<ServiceKind> kinds = EnumSet.allOf(ServiceKind.class);
        if (traits.kind() == MachineKind.LASER_TANK) {
            kinds.removeAll(EnumSet.of(FILM_CHANGE, FILM_CLEANED, HOLE_CURED));
            kinds.remove(DRY_RUN);
        } else {
            kinds.removeAll(EnumSet.of(TANK_CHANGE, WINDOW_INSPECTED));
        }
        if (!traits.kind().hasScreen()) {
            kinds.remove(SCREEN_CHANGE);
            kinds.remove(SCREEN_INSPECTED);
        }
        return kinds;
    }

    /** Kind of the part that it takes off the shelf, as the stores name it; empty where it takes none. */
    public Optional<String> takesPart() {
        return switch (this) {
            case FILM_CHANGE -> Optional.of("FILM");
            case TANK_CHANGE -> Optional.of("TANK");
            case SCREEN_CHANGE -> Optional.of("SCREEN");
            case LIGHT_CHANGE -> Optional.of("LIGHT");
            default -> Optional.empty();
        };
    }
}
