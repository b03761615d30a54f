package keel.app.floor.upkeep;

import keel.app.standing.MachineNow;
import keel.core.standing.MachineKind;

/** What a rule is about. */
public enum RuleScope {
    ALL("every machine"),
    MASK("every mask machine"),
    PROJECTOR("every projector"),
    LASER_TANK("every laser tank"),
    MACHINE("one machine"),
    ROOMS("every room"),
    ROOM("one room"),
    SHOP("the shop");

    private final String words;

    RuleScope(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public boolean ofMachines() {
        return this == ALL || this == MACHINE || kind() != null;
    }

    public boolean ofRooms() {
        return this == ROOMS || this == ROOM;
    }

    private MachineKind kind() {
        return switch (this) {
            case MASK -> MachineKind.MASK;
            case PROJECTOR -> MachineKind.PROJECTOR;
            case LASER_TANK -> MachineKind.LASER_TANK;
            default -> null;
        };
    }

    /** @param only the machine that a rule for one machine is about */
    boolean has(MachineNow machine, Long only) {
        return this == ALL || kind() == machine.kind() || this == MACHINE && only != null && only == machine.id();
    }
}
