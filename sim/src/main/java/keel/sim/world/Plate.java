package keel.sim.world;

import keel.sim.chance.Chance;
import org.hipparchus.util.FastMath;

/** A plate: how it tilts, where its zero is, how smooth and hollow it has become, burrs, and whether its bolts hold. */
public final class Plate {

    private final Cells cells;
    private final Parameters.Plates kind;
    private final Chance chance;
    private double tiltX;
    private double tiltY;
    private double heightMm;
    private double hollowMm;
    private double hoursSinceAbrading;
    private boolean burr;
    private boolean boltsLoose;
    private boolean oldPrintOn;

    Plate(Cells cells, Parameters.Plates kind, Chance chance) {
        this.cells = cells;
        this.kind = kind;
        this.chance = chance;
        this.hollowMm = FastMath.abs(chance.normal(0, kind.hollowSdMm()));
        this.hoursSinceAbrading = chance.between(0, 250);
    }

    /** Levelled by somebody, or by the machine itself. */
    public void level(boolean bySelf, boolean carelessly) {
        double sd = bySelf ? kind.selfTiltSd() : carelessly ? kind.carelessTiltSd() : kind.levelledTiltSd();
        tiltX = chance.normal(0, sd);
        tiltY = chance.normal(0, sd);
        heightMm = chance.normal(0, kind.heightSdMm() * (carelessly ? 2.5 : 1));
        boltsLoose = !bySelf && chance.happens(kind.boltsLooseChance() * (carelessly ? 4 : 1));
    }

    /** Taken off and put back to get parts off. */
    public void handle(boolean bySelf) {
        if (!bySelf) {
            tiltX += chance.normal(0, kind.drifts());
            tiltY += chance.normal(0, kind.drifts());
        }
    }

    void print(double hours) {
        hoursSinceAbrading += hours;
        if (boltsLoose) {
            tiltX += chance.normal(0, 0.06);
            tiltY += chance.normal(0, 0.06);
        }
    }

    public void scrape(boolean hard) {
        burr |= chance.happens(kind.burrPerScrape() * (hard ? 6 : 1));
    }

    public void deburr() {
        burr = false;
    }

    public void abrade() {
        hoursSinceAbrading = 0;
        burr = false;
    }

    public void tightenBolts() {
        boltsLoose = false;
    }

    public void leavePrintOn(boolean left) {
        oldPrintOn = left;
    }

    /** Gap between plate and film at a cell when the plate stands at zero, mm; negative where it presses. */
    public double gapMm(int cell) {
        return gapMm(cells.xMm(cell), cells.yMm(cell));
    }

    public double gapMm(double xMm, double yMm) {
        double x = xMm - cells.widthMm() / 2;
        double y = yMm - cells.depthMm() / 2;
        double rim = FastMath.max(FastMath.abs(x) / cells.widthMm(), FastMath.abs(y) / cells.depthMm()) * 2;
        return heightMm + (tiltX * x + tiltY * y) / 100 + hollowMm * (1 - rim * rim);
    }

    /** The part of the gap that comes from tilt alone, mm. */
    public double tiltMm(int cell) {
        return (tiltX * (cells.xMm(cell) - cells.widthMm() / 2) + tiltY * (cells.yMm(cell) - cells.depthMm() / 2))
                / 100;
    }

    /** Highest against lowest corner, mm. */
    public double riseMm() {
        return (FastMath.abs(tiltX) * cells.widthMm() + FastMath.abs(tiltY) * cells.depthMm()) / 100;
    }

    public double heightMm() {
        return heightMm;
    }

    public double hollowMm() {
        return hollowMm;
    }

    /** How well its surface grips, 1 freshly abraded. */
    public double grip() {
        return FastMath.exp(-FastMath.pow(hoursSinceAbrading / kind.smoothsInHours(), 2) * 0.5);
    }

    public boolean burr() {
        return burr;
    }

    public boolean boltsLoose() {
        return boltsLoose;
    }

    public boolean oldPrintOn() {
        return oldPrintOn;
    }

    public double hoursSinceAbrading() {
        return hoursSinceAbrading;
    }
}
