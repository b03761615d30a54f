package keel.core.standing;

/** How a machine lights a layer. */
public enum MachineKind {
    MASK("Mask", "vat", "Film"),
    PROJECTOR("Projector", "vat", "Film"),
    LASER_TANK("Laser tank", "tank", "Tank");

    private final String words;
    private final String vessel;
    private final String lining;

    MachineKind(String words, String vessel, String lining) {
        this.words = words;
        this.vessel = vessel;
        this.lining = lining;
    }

    public String words() {
        return words;
    }

    /** What holds the resin: vat or tank. */
    public String vessel() {
        return vessel;
    }

    /** What is called worn: the film of a vat, or a tank, which is replaced whole. */
    public String lining() {
        return lining;
    }

    /** Only mask machines have a screen that wears. */
    public boolean hasScreen() {
        return this == MASK;
    }
}
