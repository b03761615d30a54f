package keel.core.wash;

/**
 * What a bath is of. Densities when fresh, g/ml at 20 °C: isopropyl alcohol 0.786 (handbook figure; from memory),
 * water 0.998; a cleaner that is based on water differs by its maker.
 */
public enum BathKind {
    ALCOHOL("isopropyl alcohol", 0.786),
    DENATURED("denatured alcohol", 0.792),
    WATER_BASED("cleaner based on water", 1.0),
    WATER("water", 0.998);

    private final String words;
    private final double density;

    BathKind(String words, double density) {
        this.words = words;
        this.density = density;
    }

    public String words() {
        return words;
    }

    /** g/ml, fresh. */
    public double density() {
        return density;
    }

    /** Whether it burns and takes up water from the air. */
    public boolean burns() {
        return this == ALCOHOL || this == DENATURED;
    }
}
