package keel.sim.world;

import java.util.ArrayList;
import java.util.List;

/** The plate's area in squares of five millimetres, x to the right and y to the back, from the front left corner. */
public final class Cells {

    public static final double MM = 5;

    private final int across;
    private final int deep;

    private Cells(int across, int deep) {
        this.across = across;
        this.deep = deep;
    }

    static Cells of(double widthMm, double depthMm) {
        return new Cells((int) Math.ceil(widthMm / MM), (int) Math.ceil(depthMm / MM));
    }

    public int count() {
        return across * deep;
    }

    public double xMm(int cell) {
        return (cell % across + 0.5) * MM;
    }

    public double yMm(int cell) {
        return (cell / across + 0.5) * MM;
    }

    public double widthMm() {
        return across * MM;
    }

    public double depthMm() {
        return deep * MM;
    }

    /** The cell at a place; at the rim the nearest. */
    public int at(double xMm, double yMm) {
        return clamp((int) (yMm / MM), deep) * across + clamp((int) (xMm / MM), across);
    }

    /** The cells that a rectangle touches. */
    public int[] under(double x, double y, double width, double depth) {
        int left = clamp((int) (x / MM), across);
        int right = clamp((int) ((x + width - 1e-9) / MM), across);
        int front = clamp((int) (y / MM), deep);
        int back = clamp((int) ((y + depth - 1e-9) / MM), deep);
        int[] cells = new int[(right - left + 1) * (back - front + 1)];
        int n = 0;
        for (int row = front; row <= back; row++) {
            for (int column = left; column <= right; column++) {
                cells[n++] = row * across + column;
            }
        }
        return cells;
    }

    /** The cells within {@code radiusMm} of the middle of {@code cell}. */
    public int[] around(int cell, double radiusMm) {
        List<Integer> near = new ArrayList<>();
        for (int other = 0; other < count(); other++) {
            double dx = xMm(other) - xMm(cell);
            double dy = yMm(other) - yMm(cell);
            if (dx * dx + dy * dy <= radiusMm * radiusMm) {
                near.add(other);
            }
        }
        return near.stream().mapToInt(Integer::intValue).toArray();
    }

    /** The zone as people name it: A to F from left to right, 1 to 4 from front to back. */
    public String zone(int cell) {
        int column = Math.min(5, (int) (xMm(cell) / widthMm() * 6));
        int row = Math.min(3, (int) (yMm(cell) / depthMm() * 4));
        return "" + (char) ('A' + column) + (char) ('1' + row);
    }

    private static int clamp(int index, int size) {
        return Math.max(0, Math.min(size - 1, index));
    }
}
