package keel.core.placement;

import java.util.Arrays;

/**
 * Area that a turned rectangle has in common with a straight one, by clipping its outline (Sutherland and Hodgman
 * 1974), and whether two turned ones touch (separating axes).
 */
final class Overlap {

    private Overlap() {}

    /** With the rectangle from (x, y), w wide and d deep, mm². */
    static double area(PlacedPart p, double x, double y, double w, double d) {
        if (p.straight()) {
            double across = Math.min(p.xMm() + p.halfAcross(), x + w) - Math.max(p.xMm() - p.halfAcross(), x);
            double deep = Math.min(p.yMm() + p.halfDeep(), y + d) - Math.max(p.yMm() - p.halfDeep(), y);
            return Math.max(0, across) * Math.max(0, deep);
        }
        double[] outline = clip(p.corners(), 1, 0, x);
        outline = clip(outline, -1, 0, -(x + w));
        outline = clip(outline, 0, 1, y);
        return area(clip(outline, 0, -1, -(y + d)));
    }

    /** What of an outline lies where a·x + b·y ≥ least. */
    private static double[] clip(double[] outline, double a, double b, double least) {
        double[] kept = new double[2 * outline.length + 2];
        int n = 0;
        for (int i = 0; i < outline.length; i += 2) {
            int j = (i + 2) % outline.length;
            double here = a * outline[i] + b * outline[i + 1] - least;
            double next = a * outline[j] + b * outline[j + 1] - least;
            if (here >= 0) {
                kept[n++] = outline[i];
                kept[n++] = outline[i + 1];
            }
            if (here >= 0 != next >= 0) {
                double share = here / (here - next);
                kept[n++] = outline[i] + share * (outline[j] - outline[i]);
                kept[n++] = outline[i + 1] + share * (outline[j + 1] - outline[i + 1]);
            }
        }
        return Arrays.copyOf(kept, n);
    }

    private static double area(double[] outline) {
        double twice = 0;
        for (int i = 0; i < outline.length; i += 2) {
            int j = (i + 2) % outline.length;
            twice += outline[i] * outline[j + 1] - outline[j] * outline[i + 1];
        }
        return Math.abs(twice) / 2;
    }

    /**
     * Whether two rectangles come nearer to one another than a gap; both with the gap's half around them, so that
     * corners count as square.
     */
    static boolean nearer(PlacedPart a, PlacedPart b, double gap) {
        return !apart(a, b, a.rotationDeg(), gap) && !apart(a, b, b.rotationDeg(), gap);
    }

    private static boolean apart(PlacedPart a, PlacedPart b, int rotationDeg, double gap) {
        double cos = Math.cos(Math.toRadians(rotationDeg));
        double sin = Math.sin(Math.toRadians(rotationDeg));
        return apartAlong(a, b, cos, sin, gap) || apartAlong(a, b, -sin, cos, gap);
    }

    private static boolean apartAlong(PlacedPart a, PlacedPart b, double x, double y, double gap) {
        return Math.abs((b.xMm() - a.xMm()) * x + (b.yMm() - a.yMm()) * y)
                > reach(a, x, y) + reach(b, x, y) + gap - 1e-9;
    }

    private static double reach(PlacedPart p, double x, double y) {
        double cos = Math.cos(Math.toRadians(p.rotationDeg()));
        double sin = Math.sin(Math.toRadians(p.rotationDeg()));
        return Math.abs(cos * x + sin * y) * p.lengthMm() / 2 + Math.abs(-sin * x + cos * y) * p.widthMm() / 2;
    }
}
