package keel.sim.world;

import keel.sim.chance.Chance;
import org.hipparchus.util.FastMath;

/** A light engine: fades with its hours, is a little uneven from the beginning, and may die at once. */
public final class Light {

    private final Cells cells;
    private final Parameters.Lights kind;
    private final double slopeX;
    private final double slopeY;
    private final double diesAtUvHours;
    private double uvHours;

    Light(Cells cells, Parameters.Lights kind, double hoursBefore, Chance chance) {
        this.cells = cells;
        this.kind = kind;
        this.slopeX = chance.normal(0, kind.unevenSd());
        this.slopeY = chance.normal(0, kind.unevenSd());
        this.uvHours = hoursBefore;
        this.diesAtUvHours = hoursBefore + chance.exponential(kind.deadScaleH());
    }

    void burn(double hoursOfUv) {
        uvHours += hoursOfUv;
    }

    public boolean dead() {
        return uvHours > diesAtUvHours;
    }

    /** Light at a cell against that of a new engine. */
    public double power(int cell) {
        return power(cells.xMm(cell), cells.yMm(cell));
    }

    private double power(double xMm, double yMm) {
        double x = xMm / cells.widthMm() - 0.5;
        double y = yMm / cells.depthMm() - 0.5;
        return dead() ? 0 : FastMath.exp(-uvHours / kind.fadesInUvH()) * (1 + slopeX * x + slopeY * y);
    }

    /** Mean over cells, at least one: the slope is even, so that of their middle. */
    public double power(int[] over) {
        double x = 0;
        double y = 0;
        for (int cell : over) {
            x += cells.xMm(cell);
            y += cells.yMm(cell);
        }
        return power(x / over.length, y / over.length);
    }

    /** The same as it was by so many of its UV hours. */
    public double powerAt(double xMm, double yMm, double hours) {
        return power(xMm, yMm) * FastMath.exp((uvHours - hours) / kind.fadesInUvH());
    }

    public double uvHours() {
        return uvHours;
    }
}
