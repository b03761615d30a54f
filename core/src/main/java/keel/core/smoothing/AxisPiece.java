package keel.core.smoothing;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * A test piece for edge smoothing: an eight-sided stump whose faces lean by four degrees, two of them square to each
 * axis and four between. From layer to layer an edge moves by a fraction of a pixel, so that a face whose axis is not
 * smoothed shows lines where it jumps. A tab on its foot points to the right, so that it is known afterwards which face
 * was which.
 */
public final class AxisPiece {

    static final double FOOT_MM = 15;
    static final double FOOT_HEIGHT_MM = 2;
    static final double STUMP_MM = 12;
    static final double STUMP_HEIGHT_MM = 20;
    static final double LEAN_DEG = 4;

    private static final int SIDES = 8;
    private static final double TAB_MM = 5;

    private AxisPiece() {}

    /** A corner, mm. */
    record Point(double x, double y, double z) {}

    /** Counter-clockwise seen from outside. */
    record Triangle(Point a, Point b, Point c) {}

    static List<Triangle> triangles() {
        double top = STUMP_MM - STUMP_HEIGHT_MM * Math.tan(Math.toRadians(LEAN_DEG));
        List<Triangle> all = new ArrayList<>(stump(List.of(
                ring(FOOT_MM, 0),
                ring(FOOT_MM, FOOT_HEIGHT_MM),
                ring(STUMP_MM, FOOT_HEIGHT_MM),
                ring(top, FOOT_HEIGHT_MM + STUMP_HEIGHT_MM))));
        all.addAll(tab());
        return all;
    }

    /** Corners of an octagon by the distance of its sides from the middle; a side stands square to each axis. */
    private static List<Point> ring(double apothem, double z) {
        double radius = apothem / Math.cos(Math.PI / SIDES);
        List<Point> ring = new ArrayList<>();
        for (int i = 0; i < SIDES; i++) {
            double angle = Math.PI / SIDES + 2 * Math.PI * i / SIDES;
            ring.add(new Point(radius * Math.cos(angle), radius * Math.sin(angle), z));
        }
        return ring;
    }

    private static List<Triangle> stump(List<List<Point>> rings) {
        List<Triangle> all = new ArrayList<>();
        for (int r = 0; r + 1 < rings.size(); r++) {
            for (int i = 0; i < SIDES; i++) {
                Point a = rings.get(r).get(i);
                Point b = rings.get(r).get((i + 1) % SIDES);
                Point c = rings.get(r + 1).get((i + 1) % SIDES);
                Point d = rings.get(r + 1).get(i);
                all.add(new Triangle(a, b, c));
                all.add(new Triangle(a, c, d));
            }
        }
        lid(rings.get(rings.size() - 1), false, all);
        lid(rings.get(0), true, all);
        return all;
    }

    private static void lid(List<Point> ring, boolean below, List<Triangle> all) {
        for (int i = 1; i + 1 < ring.size(); i++) {
            Point a = ring.get(0);
            all.add(
                    below
                            ? new Triangle(a, ring.get(i + 1), ring.get(i))
                            : new Triangle(a, ring.get(i), ring.get(i + 1)));
        }
    }

    /** A box that reaches into the foot, so that slicing joins them. */
    private static List<Triangle> tab() {
        double left = FOOT_MM - 1;
        double right = FOOT_MM + TAB_MM;
        double half = TAB_MM / 2;
        List<Point> lower = List.of(
                new Point(left, -half, 0),
                new Point(right, -half, 0),
                new Point(right, half, 0),
                new Point(left, half, 0));
        List<Point> upper =
                lower.stream().map(p -> new Point(p.x(), p.y(), FOOT_HEIGHT_MM)).toList();
        List<Triangle> all = new ArrayList<>();
        for (int i = 0; i < lower.size(); i++) {
            int k = (i + 1) % lower.size();
            all.add(new Triangle(lower.get(i), lower.get(k), upper.get(k)));
            all.add(new Triangle(lower.get(i), upper.get(k), upper.get(i)));
        }
        lid(upper, false, all);
        lid(lower, true, all);
        return all;
    }

    /** Binary STL, mm: 80 bytes of header, a count, 50 bytes for each triangle, little-endian. */
    public static byte[] stl() {
        List<Triangle> triangles = triangles();
        ByteBuffer out = ByteBuffer.allocate(84 + 50 * triangles.size()).order(ByteOrder.LITTLE_ENDIAN);
        out.put("Piece with faces to both axes, mm".getBytes(StandardCharsets.US_ASCII))
                .position(80);
        out.putInt(triangles.size());
        for (Triangle t : triangles) {
            double[] n = normal(t);
            for (double v : n) {
                out.putFloat((float) v);
            }
            for (Point p : List.of(t.a(), t.b(), t.c())) {
                out.putFloat((float) p.x()).putFloat((float) p.y()).putFloat((float) p.z());
            }
            out.putShort((short) 0);
        }
        return out.array();
    }

    static double[] normal(Triangle t) {
        double ux = t.b().x() - t.a().x();
        double uy = t.b().y() - t.a().y();
        double uz = t.b().z() - t.a().z();
        double vx = t.c().x() - t.a().x();
        double vy = t.c().y() - t.a().y();
        double vz = t.c().z() - t.a().z();
        double[] n = {uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx};
        double length = Math.sqrt(n[0] * n[0] + n[1] * n[1] + n[2] * n[2]);
        return new double[] {n[0] / length, n[1] / length, n[2] / length};
    }
}
