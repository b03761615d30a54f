package keel.sim.world;

import keel.sim.chance.Chance;
import org.hipparchus.util.FastMath;

/**
 * A release film, or the floor of a laser tank: how clouded it is in each cell, how tight, where it is dented or
 * pierced.
 */
public final class Film {

    private final Cells cells;
    private final Parameters.Films kind;
    private final double quality;
    private double pierceAtHours;
    private final Chance chance;
    private final double[] haze;
    private final boolean[] dented;
    private double tensionNPerM;
    private double wearHours;
    private double hours;
    private int piercedAt = -1;

    /**
     * @param tank whether it is a laser tank's floor; {@code slack} whether it was fitted without its slack spacer or
     *     unevenly
     */
    Film(Cells cells, Parameters.Films kind, boolean tank, boolean slack, boolean dentedSheet, Chance chance) {
        this.cells = cells;
        this.kind = kind;
        this.chance = chance;
        this.quality = chance.logNormal(1, kind.sheetSd());
        this.haze = new double[cells.count()];
        this.dented = new boolean[cells.count()];
        this.tensionNPerM = chance.logNormal(kind.tensionNPerM(), kind.tensionSd()) * (slack ? 0.55 : 1);
        this.pierceAtHours = tank
                ? chance.weibull(kind.tankShape(), kind.tankScaleH())
                : chance.weibull(kind.pierceShape(), kind.pierceScaleH());
        if (dentedSheet) {
            dent();
            dent();
        }
    }

    /**
     * @param uvHoursEach UV time that each covered cell got; {@code peels} layers; {@code wearFactor} above 1 under
     *     burrs
     */
    void print(int[] covered, double printHours, double uvHoursEach, long peels, double wearFactor) {
        double more = quality * (kind.hazePerUvHour() * uvHoursEach + kind.hazePerThousandPeels() * peels / 1000.0);
        for (int cell : covered) {
            haze[cell] += more;
        }
        hours += printHours;
        tensionNPerM *= FastMath.exp(-kind.slackensPerHour() * printHours);
        wear(printHours * wearFactor, covered);
    }

    /** Wear beyond that of printing, in print hours; where it goes through if it does. */
    public void wear(double equivalentHours, int[] where) {
        wearHours += equivalentHours;
        if (piercedAt < 0 && wearHours > pierceAtHours && where.length > 0) {
            piercedAt = where[chance.below(where.length)];
        }
    }

    /** One that will not wear through before so many hours. */
    public void lastsAtLeast(double printHours) {
        pierceAtHours = FastMath.max(pierceAtHours, printHours);
    }

    public void wipe(boolean roughly) {
        if (roughly) {
            for (int cell = 0; cell < haze.length; cell++) {
                haze[cell] += kind.wipeHaze() * chance.between(0.3, 1.7);
            }
        }
    }

    public void dent() {
        dented[chance.below(dented.length)] = true;
    }

    void age(double printHours, double uvShare) {
        int[] all = new int[cells.count()];
        for (int cell = 0; cell < all.length; cell++) {
            all[cell] = cell;
        }
        double before = wearHours;
        print(all, printHours, printHours * uvShare * 0.4, (long) (printHours * 430 * 0.4), 1);
        wearHours = FastMath.min(wearHours, FastMath.max(before, pierceAtHours * 0.98));
        piercedAt = -1;
    }

    /** Share of the light that a cell lets through. */
    public double transmittance(int cell) {
        return kind.clearTransmittance() * FastMath.exp(-haze[cell]);
    }

    /** Mean over cells, at least one. */
    public double transmittance(int[] over) {
        double sum = 0;
        for (int cell : over) {
            sum += transmittance(cell);
        }
        return sum / over.length;
    }

    public double clearTransmittance() {
        return kind.clearTransmittance();
    }

    public double meanTransmittance() {
        double sum = 0;
        for (int cell = 0; cell < haze.length; cell++) {
            sum += transmittance(cell);
        }
        return sum / haze.length;
    }

    public double tensionNPerM() {
        return tensionNPerM;
    }

    /** Tension against that of a film fitted well. */
    public double tightness() {
        return tensionNPerM / kind.tensionNPerM();
    }

    public boolean pierced() {
        return piercedAt >= 0;
    }

    /** The cell with the hole; −1 where there is none. */
    public int piercedAt() {
        return piercedAt;
    }

    public boolean dented(int cell) {
        return dented[cell];
    }

    public int dents() {
        int n = 0;
        for (boolean d : dented) {
            n += d ? 1 : 0;
        }
        return n;
    }

    public double hours() {
        return hours;
    }
}
