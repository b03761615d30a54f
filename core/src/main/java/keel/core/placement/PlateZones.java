package keel.core.placement;

import java.util.Collection;
import java.util.Set;
import java.util.TreeSet;

/** The twenty-four zones of a plate, {@code A1} front left to {@code F4} back right, and as bits of a number. */
public final class PlateZones {

    private static final int ACROSS = 6;
    private static final int DEEP = 4;
    private static final double TOUCHED = 0.02;

    private PlateZones() {}

    /** Those that a footprint covers, of a plate of that size in mm. */
    public static Set<String> of(Footprint footprint, double widthMm, double depthMm) {
        PlateCells cells = new PlateCells(widthMm, depthMm);
        double[] light = footprint.over(cells).light();
        Set<String> zones = new TreeSet<>();
        for (int cell = 0; cell < light.length; cell++) {
            if (light[cell] >= TOUCHED) {
                zones.add(zone(
                        cell % cells.across() * ACROSS / cells.across(), cell / cells.across() * DEEP / cells.deep()));
            }
        }
        return zones;
    }

    public static int bits(Collection<String> zones) {
        int bits = 0;
        for (String zone : zones) {
            bits |= 1 << (zone.charAt(1) - '1') * ACROSS + zone.charAt(0) - 'A';
        }
        return bits;
    }

    public static Set<String> ofBits(int bits) {
        Set<String> zones = new TreeSet<>();
        for (int i = 0; i < ACROSS * DEEP; i++) {
            if ((bits & 1 << i) != 0) {
                zones.add(zone(i % ACROSS, i / ACROSS));
            }
        }
        return zones;
    }

    private static String zone(int column, int row) {
        return String.valueOf((char) ('A' + column)) + (row + 1);
    }
}
