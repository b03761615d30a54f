package keel.app.air.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.air.CollectorBox;
import keel.core.air.WallDuct;
import keel.core.air.WindowPanel;
import keel.core.air.WindowPanel.Cut;

/**
 * Pieces to cut, drawn flat in millimetres, from the lower left.
 *
 * @param file name of its file, without an ending
 * @param words what it shows, in a sentence or two
 */
record ScaleDrawing(
        String file, String title, double widthMm, double heightMm, List<Shape> shapes, String words, List<Cut> cuts) {

    private static final double APART_MM = 30;

    /** A part of the drawing. */
    sealed interface Shape {

        /** {@code dashed} for what is not cut. */
        record Rect(double x, double y, double w, double h, boolean dashed) implements Shape {}

        record Circle(double x, double y, double r) implements Shape {}

        record DrawnLine(double x1, double y1, double x2, double y2) implements Shape {}

        /** Words that begin at a place. */
        record Label(double x, double y, String text) implements Shape {}
    }

    static ScaleDrawing of(WindowPanel p) {
        double x = p.gapMm() + p.holeXMm();
        double y = p.gapMm() + p.holeYMm();
        List<Shape> shapes = new ArrayList<>(List.of(
                new Shape.Rect(0, 0, p.widthMm(), p.heightMm(), true),
                new Shape.Rect(p.gapMm(), p.gapMm(), p.boardWidthMm(), p.boardHeightMm(), false)));
        hole(x, y, p.holeMm(), shapes);
        return new ScaleDrawing(
                "window-panel",
                "Window panel",
                p.widthMm(),
                p.heightMm(),
                shapes,
                String.format(
                        Locale.ROOT,
                        "Opening %.0f x %.0f mm, dashed. Board %.0f x %.0f x %.0f mm. Hole %.0f mm, its middle %.0f "
                                + "mm from the left and %.0f mm from below.",
                        p.widthMm(),
                        p.heightMm(),
                        p.boardWidthMm(),
                        p.boardHeightMm(),
                        p.thicknessMm(),
                        p.holeMm(),
                        p.holeXMm(),
                        p.holeYMm()),
                p.cuts());
    }

    /** The six boards beside and above one another: front and back below, then top and bottom, then the sides. */
    static ScaleDrawing of(CollectorBox b) {
        double w = b.widthMm() + 2 * b.thicknessMm();
        double h = b.heightMm() + 2 * b.thicknessMm();
        double second = h + APART_MM;
        double third = second + b.depthMm() + APART_MM;
        List<Shape> shapes = new ArrayList<>();
        piece("front", 0, 0, w, h, shapes);
        piece("back", w + APART_MM, 0, w, h, shapes);
        piece("top", 0, second, w, b.depthMm(), shapes);
        piece("bottom", w + APART_MM, second, w, b.depthMm(), shapes);
        piece("side", 0, third, b.depthMm(), b.heightMm(), shapes);
        piece("side", b.depthMm() + APART_MM, third, b.depthMm(), b.heightMm(), shapes);
        for (int i = 0; i < b.outlets(); i++) {
            hole(b.thicknessMm() + b.widthMm() * (i + 0.5) / b.outlets(), h / 2, b.outletHoleMm(), shapes);
        }
        hole(w + APART_MM + w / 2, h / 2, b.hoseHoleMm(), shapes);
        return new ScaleDrawing(
                "collector-box",
                "Collector box",
                Math.max(2 * w, 2 * b.depthMm()) + APART_MM,
                third + b.heightMm(),
                shapes,
                String.format(
                        Locale.ROOT,
                        "Six boards of %.0f mm, flat; %.0f x %.0f x %.0f mm inside.",
                        b.thicknessMm(),
                        b.widthMm(),
                        b.heightMm(),
                        b.depthMm()),
                b.cuts());
    }

    /** Cut through the wall from the side, inside at the left; the pipe falls outward. */
    static ScaleDrawing of(WallDuct d) {
        double out = WallDuct.OVER_MM;
        double above = d.holeMm();
        double height = d.holeMm() * 3 + d.fallMm();
        double low = above;
        double left = low + d.fallMm();
        double right = out + d.wallMm();
        double end = right + out;
        double slope = d.fallMm() / d.wallMm();
        List<Shape> shapes = new ArrayList<>(List.of(new Shape.Rect(out, 0, d.wallMm(), height, true)));
        for (double y : new double[] {left, left + d.pipeMm()}) {
            shapes.add(new Shape.DrawnLine(0, y + slope * out, end, y - slope * (d.wallMm() + out)));
        }
        shapes.add(new Shape.DrawnLine(0, left + slope * out, 0, left + d.pipeMm() + slope * out));
        shapes.add(new Shape.DrawnLine(end, low - slope * out, end, low + d.pipeMm() - slope * out));
        shapes.add(new Shape.Label(out + 6, height - 14, "wall"));
        return new ScaleDrawing(
                "wall-duct",
                "Pipe through a wall",
                end,
                height,
                shapes,
                String.format(
                        Locale.ROOT,
                        "From the side, inside at the left. Wall %.0f mm, pipe %.0f mm, hole %.0f mm; the outer end "
                                + "lies %.0f mm lower.",
                        d.wallMm(),
                        d.pipeMm(),
                        d.holeMm(),
                        d.fallMm()),
                d.cuts());
    }

    private static void piece(String name, double x, double y, double w, double h, List<Shape> shapes) {
        shapes.add(new Shape.Rect(x, y, w, h, false));
        shapes.add(new Shape.Label(x + 4, y + 4, String.format(Locale.ROOT, "%s %.0f x %.0f", name, w, h)));
    }

    private static void hole(double x, double y, double diameter, List<Shape> shapes) {
        shapes.add(new Shape.Circle(x, y, diameter / 2));
        shapes.add(new Shape.DrawnLine(x - 6, y, x + 6, y));
        shapes.add(new Shape.DrawnLine(x, y - 6, x, y + 6));
    }
}
