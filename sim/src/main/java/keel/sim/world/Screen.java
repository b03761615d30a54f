package keel.sim.world;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import keel.sim.chance.Chance;
import org.hipparchus.util.FastMath;

/** A mask: cells that stay dark or lit, patches pressed into it, resin cured onto it. */
public final class Screen {

    /** A spot of dead pixels in the middle of a cell. */
    public record Spot(int cell, boolean lit, double sizeMm) {}

    private final Cells cells;
    private final Parameters.Screens kind;
    private final Chance chance;
    private final List<Spot> spots = new ArrayList<>();
    private final BitSet patch = new BitSet();
    private final BitSet wet = new BitSet();
    private final BitSet cured = new BitSet();
    private double agedUvHours;
    private double uvHours;
    private double nextDark;
    private double nextLit;
    private boolean connected = true;

    Screen(Cells cells, Parameters.Screens kind, Chance chance) {
        this.cells = cells;
        this.kind = kind;
        this.chance = chance;
        this.nextDark = chance.weibull(kind.darkShape(), kind.darkScaleH());
        this.nextLit = chance.weibull(kind.litShape(), kind.litScaleH());
    }

    /** Ages by UV hours, faster in heat. */
    void light(double hoursOfUv, double temperatureC) {
        uvHours += hoursOfUv;
        agedUvHours += hoursOfUv * FastMath.exp(kind.heatPerK() * FastMath.max(0, temperatureC - 24));
        while (agedUvHours > nextDark) {
            spots.add(new Spot(chance.below(cells.count()), false, chance.between(0.15, 1.6)));
            nextDark += chance.exponential(kind.moreEveryUvH());
        }
        while (agedUvHours > nextLit) {
            spots.add(new Spot(chance.below(cells.count()), true, chance.between(0.1, 0.6)));
            nextLit += chance.exponential(kind.moreEveryUvH());
        }
    }

    /** Was in use before the story: it has lived so long without a spot. */
    void age(double hoursOfUv) {
        uvHours = hoursOfUv;
        agedUvHours = hoursOfUv;
        while (nextDark <= agedUvHours) {
            nextDark = agedUvHours + chance.exponential(kind.darkScaleH() / 2);
        }
        while (nextLit <= agedUvHours) {
            nextLit = agedUvHours + chance.exponential(kind.litScaleH() / 2);
        }
    }

    /** Something was pressed into it. */
    public void crush(int where) {
        if (chance.happens(kind.crushChance())) {
            for (int cell : cells.around(where, chance.between(6, 16))) {
                patch.set(cell);
            }
        } else {
            spots.add(new Spot(where, false, chance.between(0.4, 2.5)));
        }
    }

    /** A spot as a story plants it. */
    public void spot(Spot spot) {
        spots.add(spot);
    }

    public void wetAt(int where, double radiusMm) {
        for (int cell : cells.around(where, radiusMm)) {
            wet.set(cell);
        }
    }

    /** Fresh resin can be wiped off; what has cured onto it stays. */
    public void wipe() {
        wet.clear();
    }

    /** Light falls on these cells: what is wet there cures. */
    void cure(int[] lit) {
        for (int cell : lit) {
            if (wet.get(cell)) {
                cured.set(cell);
            }
        }
    }

    public void connect(boolean well) {
        connected = well;
    }

    public boolean connected() {
        return connected;
    }

    public List<Spot> spots() {
        return List.copyOf(spots);
    }

    /** Whether so little light comes out of the cell that nothing sets. */
    public boolean blocked(int cell) {
        return patch.get(cell) || cured.get(cell);
    }

    public boolean resinAt(int cell) {
        return cured.get(cell);
    }

    /** Whether any resin is on it, wet or cured. */
    public boolean resinAnywhere() {
        return !wet.isEmpty() || !cured.isEmpty();
    }

    public boolean resinCured() {
        return !cured.isEmpty();
    }

    public boolean patchAnywhere() {
        return !patch.isEmpty();
    }

    public double uvHours() {
        return uvHours;
    }
}
