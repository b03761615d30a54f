package keel.core.exposure;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * A small piece that shows what an exposure does: walls and pins grow thicker, gaps grow wider, on a base of a
 * known length. Printed at several exposures side by side or one after another. Our own; common practice, no source.
 * Every body is closed by itself; they overlap, as slicers expect of bodies that belong together. All in mm.
 */
public final class TestPiece {

    /** Length and width of the base: it also tells the scale. */
    public static final double LENGTH_MM = 60;

    public static final double WIDTH_MM = 30;

    static final double BASE_MM = 1.2;
    static final double[] WALLS_MM = {0.2, 0.3, 0.4, 0.6, 0.8};
    static final double[] PINS_MM = {0.3, 0.5, 0.7, 1.0, 1.4};
    static final double[] GAPS_MM = {0.1, 0.2, 0.3, 0.4, 0.6};

    private static final double SUNK_MM = 0.4;
    private static final double WALL_HIGH_MM = 6;
    private static final double PIN_HIGH_MM = 5;
    private static final double BLOCK_HIGH_MM = 3;
    private static final double PITCH_MM = 11;
    private static final double FIRST_MM = 8;
    private static final int SIDES = 24;
    private static final int HEAD_BYTES = 80;
    private static final int TRIANGLE_BYTES = 50;

    /** A corner, mm. */
    record Corner(double x, double y, double z) {}

    /** Counter-clockwise seen from outside. */
    record Triangle(Corner a, Corner b, Corner c) {}

    private TestPiece() {}

    /** Its bodies: the base, walls, pins, and the pairs of blocks with gaps between them. */
    static List<List<Triangle>> bodies() {
        List<List<Triangle>> bodies = new ArrayList<>();
        bodies.add(box(0, 0, 0, LENGTH_MM, WIDTH_MM, BASE_MM));
        double foot = BASE_MM - SUNK_MM;
        for (int i = 0; i < WALLS_MM.length; i++) {
            double x = FIRST_MM + i * PITCH_MM;
            bodies.add(box(x - WALLS_MM[i] / 2, 20, foot, x + WALLS_MM[i] / 2, 28, BASE_MM + WALL_HIGH_MM));
            bodies.add(prism(x, 15, PINS_MM[i] / 2, foot, BASE_MM + PIN_HIGH_MM));
            bodies.add(box(x - 3, 3, foot, x - GAPS_MM[i] / 2, 11, BASE_MM + BLOCK_HIGH_MM));
            bodies.add(box(x + GAPS_MM[i] / 2, 3, foot, x + 3, 11, BASE_MM + BLOCK_HIGH_MM));
        }
        return bodies;
    }

    /** As a binary STL file: 80 bytes, a count, 50 bytes a triangle, little-endian. */
    public static byte[] stl() {
        List<Triangle> all = bodies().stream().flatMap(List::stream).toList();
        ByteBuffer file = ByteBuffer.allocate(HEAD_BYTES + 4 + TRIANGLE_BYTES * all.size())
                .order(ByteOrder.LITTLE_ENDIAN);
        file.put("Exposure test piece, mm".getBytes(StandardCharsets.US_ASCII));
        file.position(HEAD_BYTES);
        file.putInt(all.size());
        for (Triangle t : all) {
            put(file, normal(t));
            put(file, t.a());
            put(file, t.b());
            put(file, t.c());
            file.putShort((short) 0);
        }
        return file.array();
    }

    private static void put(ByteBuffer file, Corner c) {
        file.putFloat((float) c.x()).putFloat((float) c.y()).putFloat((float) c.z());
    }

    private static Corner normal(Triangle t) {
        double ux = t.b().x() - t.a().x();
        double uy = t.b().y() - t.a().y();
        double uz = t.b().z() - t.a().z();
        double vx = t.c().x() - t.a().x();
        double vy = t.c().y() - t.a().y();
        double vz = t.c().z() - t.a().z();
        double nx = uy * vz - uz * vy;
        double ny = uz * vx - ux * vz;
        double nz = ux * vy - uy * vx;
        double length = Math.sqrt(nx * nx + ny * ny + nz * nz);
        return new Corner(nx / length, ny / length, nz / length);
    }

    private static List<Triangle> box(double x0, double y0, double z0, double x1, double y1, double z1) {
        return upright(
                List.of(new Corner(x0, y0, 0), new Corner(x1, y0, 0), new Corner(x1, y1, 0), new Corner(x0, y1, 0)),
                z0,
                z1);
    }

    private static List<Triangle> prism(double x, double y, double radius, double z0, double z1) {
        List<Corner> ring = new ArrayList<>();
        for (int i = 0; i < SIDES; i++) {
            double angle = 2 * Math.PI * i / SIDES;
            ring.add(new Corner(x + radius * Math.cos(angle), y + radius * Math.sin(angle), 0));
        }
        return upright(ring, z0, z1);
    }

    /** A convex outline, counter-clockwise from above, from one height to another. */
    private static List<Triangle> upright(List<Corner> outline, double z0, double z1) {
        List<Triangle> body = new ArrayList<>();
        int n = outline.size();
        for (int i = 0; i < n; i++) {
            Corner low = at(outline.get(i), z0);
            Corner high = at(outline.get(i), z1);
            Corner nextLow = at(outline.get((i + 1) % n), z0);
            Corner nextHigh = at(outline.get((i + 1) % n), z1);
            body.add(new Triangle(low, nextLow, nextHigh));
            body.add(new Triangle(low, nextHigh, high));
            if (i > 0 && i < n - 1) {
                body.add(new Triangle(at(outline.get(0), z1), high, nextHigh));
                body.add(new Triangle(at(outline.get(0), z0), nextLow, low));
            }
        }
        return body;
    }

    private static Corner at(Corner c, double z) {
        return new Corner(c.x(), c.y(), z);
    }
}
