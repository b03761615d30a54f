package keel.sim.world;

import keel.sim.chance.Chance;
import org.hipparchus.util.FastMath;

/** A vat with its film and what is in it. */
public final class Vat {

    /** So much of the right resin on top, and the wrong one no longer tells. */
    private static final double DILUTED_BY_ML = 700;

    private final Parameters.Vats kind;
    private final Chance chance;
    private Film film;
    private String resin;
    private String mixedWith;
    private double ml;
    private double fresh;
    private double daysSinceStirred;
    private double bits;
    private int[] bitsAt = {};
    private boolean boltsLoose;
    private boolean forgotten;
    private boolean wetOutside;

    Vat(Parameters.Vats kind, Film film, String resin, double ml, Chance chance) {
        this.kind = kind;
        this.film = film;
        this.resin = resin;
        this.ml = ml;
        this.chance = chance;
    }

    void fit(Film fresh) {
        film = fresh;
        wetOutside = false;
    }

    /** Lifted out and put back. */
    void handle(double carelessness) {
        boltsLoose = forgotten || chance.happens(kind.boltsLooseChance() * carelessness);
        wetOutside |= chance.happens(kind.splashChance() * carelessness);
    }

    /** Left loose again and again, and nobody thinks of trying them. */
    public void leaveBoltsLoose() {
        boltsLoose = true;
        forgotten = true;
    }

    public void tightenBolts() {
        boltsLoose = false;
        forgotten = false;
    }

    /** Resin on its outside, the film whole. */
    public void splash() {
        wetOutside = true;
    }

    public void wipeOutside() {
        wetOutside = false;
    }

    public void pour(String which, double amount) {
        if (ml > 15 && !which.equals(resin)) {
            mixedWith = resin;
            fresh = 0;
        }
        resin = which;
        ml += amount;
        fresh += amount;
        if (mixedWith != null && fresh > DILUTED_BY_ML) {
            mixedWith = null;
        }
    }

    /** Somebody poured from the wrong bottle. */
    public void contaminate(String other) {
        mixedWith = other;
        fresh = 0;
    }

    public void use(double amount) {
        ml = FastMath.max(0, ml - amount);
    }

    public void empty() {
        ml = 0;
        bits = 0;
        mixedWith = null;
    }

    public void stir() {
        daysSinceStirred = 0;
    }

    void rest(double days) {
        daysSinceStirred += days;
    }

    /** Cured pieces lie in the resin; {@code where} they fell. */
    public void dropBits(double amount, int[] where) {
        bits += amount;
        bitsAt = where;
    }

    /** @param share of the bits that is taken out */
    public void sieve(double share) {
        bits *= 1 - share;
        if (bits < 0.05) {
            bits = 0;
            bitsAt = new int[0];
        }
    }

    public Film film() {
        return film;
    }

    public String resin() {
        return resin;
    }

    /** The resin it is mixed with; null where it is not. */
    public String mixedWith() {
        return mixedWith;
    }

    public double ml() {
        return ml;
    }

    public double daysSinceStirred() {
        return daysSinceStirred;
    }

    /** How much cured stuff lies in it; a print that fell off whole leaves 1. */
    public double bits() {
        return bits;
    }

    public int[] bitsAt() {
        return bitsAt.clone();
    }

    public boolean boltsLoose() {
        return boltsLoose;
    }

    public boolean nobodyTriesBolts() {
        return forgotten;
    }

    public boolean wetOutside() {
        return wetOutside;
    }
}
