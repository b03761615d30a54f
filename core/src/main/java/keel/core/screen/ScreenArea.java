package keel.core.screen;

import java.util.BitSet;
import java.util.List;
import keel.core.screen.ScreenInspection.Hidden;
import keel.core.screen.ScreenInspection.Spot;

/** The area of a screen in cells of about a millimetre: which of them lie clear of all that is wrong with it. */
public final class ScreenArea {

    /** What is kept off spots, mm: the same as the advice where to print keeps. Common practice, no source. */
    static final double MARGIN_MM = 2;

    private final double cellWide;
    private final double cellDeep;
    private final int across;
    private final int deep;
    private final BitSet covered;

    private ScreenArea(double widthMm, double heightMm) {
        across = (int) Math.ceil(widthMm);
        deep = (int) Math.ceil(heightMm);
        cellWide = widthMm / across;
        cellDeep = heightMm / deep;
        covered = new BitSet(across * deep);
    }

    /** Share of the area that was seen and lies clear of the spots by {@link #MARGIN_MM}. */
    public static double printable(List<Spot> spots, List<Hidden> hidden, double widthMm, double heightMm) {
        ScreenArea area = new ScreenArea(widthMm, heightMm);
        spots.forEach(area::keepOff);
        hidden.forEach(area::leaveOut);
        int cells = area.across * area.deep;
        return (double) (cells - area.covered.cardinality()) / cells;
    }

    /** Covers the cells whose middles lie too near a spot. */
    private void keepOff(Spot p) {
        double reachX = p.halfAcross() + MARGIN_MM;
        double reachY = p.halfDeep() + MARGIN_MM;
        int lastRow = row(p.yMm() + reachY);
        int lastColumn = column(p.xMm() + reachX);
        for (int row = row(p.yMm() - reachY); row <= lastRow; row++) {
            for (int column = column(p.xMm() - reachX); column <= lastColumn; column++) {
                if (p.off((column + 0.5) * cellWide, (row + 0.5) * cellDeep, 0, 0) < MARGIN_MM) {
                    covered.set(row * across + column);
                }
            }
        }
    }

    private void leaveOut(Hidden h) {
        int lastRow = row(h.yMm() + h.deepMm());
        int lastColumn = column(h.xMm() + h.acrossMm());
        for (int row = row(h.yMm()); row <= lastRow; row++) {
            for (int column = column(h.xMm()); column <= lastColumn; column++) {
                if (h.covers((column + 0.5) * cellWide, (row + 0.5) * cellDeep)) {
                    covered.set(row * across + column);
                }
            }
        }
    }

    private int row(double yMm) {
        return Math.max(0, Math.min(deep - 1, (int) Math.floor(yMm / cellDeep)));
    }

    private int column(double xMm) {
        return Math.max(0, Math.min(across - 1, (int) Math.floor(xMm / cellWide)));
    }
}
