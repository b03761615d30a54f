package keel.core.plate;

import java.util.Arrays;
import java.util.List;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.QRDecomposition;
import org.hipparchus.linear.RealVector;

/**
 * Level and flatness of a plate from gauge readings: the least-squares plane z = c + a·x + b·y through them. x is to
 * the right, y to the back, z up, all mm.
 *
 * <p>Verdicts are common practice, no published source: ADJUST where the tilt over the longer side exceeds a bottom
 * layer; SAND where the residuals' peak to valley, less what the gauge's noise alone explains ({@link GaugeNoise}),
 * exceeds two bottom layers and 0.1 mm. A plate that needs both is sanded first.
 *
 * @param tiltXMmPer100 rise per 100 mm towards +x
 * @param tiltYMmPer100 rise per 100 mm towards +y
 * @param flatnessMm residual peak to valley
 * @param lowCorner the corner that is lowest; NONE where the slope is within the gauge's noise
 * @param lowByMm how much lower it is than the highest
 */
public record PlateLevel(
        double tiltXMmPer100,
        double tiltYMmPer100,
        double flatnessMm,
        Corner lowCorner,
        double lowByMm,
        Verdict verdict) {

    private static final int FEWEST = 3;
    private static final int MOST = 25;
    public static final double USUAL_GAUGE_SD_MM = 0.01;

    private static final double FARTHEST_READING_MM = 10;
    private static final double FARTHEST_PLACE_MM = 2000;
    private static final double LEAST_HOLLOW_MM = 0.1;
    private static final double ALMOST_ON_A_LINE = 1e-6;
    private static final double NO_SLOPE = 1e-9;

    /** One reading, mm. */
    public record Reading(double xMm, double yMm, double zMm) {}

    /** A place on the plate, mm. */
    public record Place(double xMm, double yMm) {}

    public enum Corner {
        FRONT_LEFT,
        FRONT_RIGHT,
        BACK_LEFT,
        BACK_RIGHT,
        NONE
    }

    public enum Verdict {
        GOOD,
        ADJUST,
        SAND
    }

    /**
     * @param readings 3 to 25, not on one line
     * @param plateWidthMm &gt; 0
     * @param plateDepthMm &gt; 0
     * @param bottomLayerMm height of a bottom layer, &gt; 0
     * @param gaugeSdMm standard deviation of one reading, &ge; 0
     * @throws IllegalArgumentException with a sentence that says what is wrong
     */
    public static PlateLevel of(
            List<Reading> readings, double plateWidthMm, double plateDepthMm, double bottomLayerMm, double gaugeSdMm) {
        check(readings, plateWidthMm, plateDepthMm, bottomLayerMm, gaugeSdMm);
        double middleX = readings.stream().mapToDouble(Reading::xMm).average().orElseThrow();
        double middleY = readings.stream().mapToDouble(Reading::yMm).average().orElseThrow();
        RealVector plane = fit(readings, middleX, middleY);
        double a = plane.getEntry(1);
        double b = plane.getEntry(2);
        double offset = plane.getEntry(0) - a * middleX - b * middleY;
        double[] residuals = readings.stream()
                .mapToDouble(r -> r.zMm() - offset - a * r.xMm() - b * r.yMm())
                .toArray();
        double flatness = Arrays.stream(residuals).max().orElseThrow()
                - Arrays.stream(residuals).min().orElseThrow();
        double rise = Math.abs(a) * plateWidthMm + Math.abs(b) * plateDepthMm;
        return new PlateLevel(
                100 * a,
                100 * b,
                flatness,
                rise <= 2 * gaugeSdMm ? Corner.NONE : corner(a, b),
                rise,
                verdict(
                        a,
                        b,
                        flatness,
                        readings.size(),
                        Math.max(plateWidthMm, plateDepthMm),
                        bottomLayerMm,
                        gaugeSdMm));
    }

    /**
     * Turns for each screw that bring the plate level, against the highest of them: 0 there, negative where the plate
     * must come up, positive would lower it.
     */
    public List<Double> turns(List<Place> screws, ScrewThread thread) {
        double[] heights = screws.stream()
                .mapToDouble(s -> (tiltXMmPer100 * s.xMm() + tiltYMmPer100 * s.yMm()) / 100)
                .toArray();
        double highest = Arrays.stream(heights).max().orElse(0);
        return Arrays.stream(heights)
                .mapToObj(h -> (h - highest) / thread.pitchMm())
                .toList();
    }

    private static RealVector fit(List<Reading> readings, double middleX, double middleY) {
        double[][] rows = readings.stream()
                .map(r -> new double[] {1, r.xMm() - middleX, r.yMm() - middleY})
                .toArray(double[][]::new);
        double[] z = readings.stream().mapToDouble(Reading::zMm).toArray();
        try {
            return new QRDecomposition(new Array2DRowRealMatrix(rows), ALMOST_ON_A_LINE)
                    .getSolver()
                    .solve(new ArrayRealVector(z));
        } catch (MathRuntimeException e) {
            throw new IllegalArgumentException(
                    "The readings lie on one line: a plane needs a third that is off it.", e);
        }
    }

    /** Of two corners that are equally low the front one, or the left one. */
    private static Corner corner(double a, double b) {
        if (b >= -NO_SLOPE) {
            return a >= -NO_SLOPE ? Corner.FRONT_LEFT : Corner.FRONT_RIGHT;
        }
        return a >= -NO_SLOPE ? Corner.BACK_LEFT : Corner.BACK_RIGHT;
    }

    private static Verdict verdict(
            double a, double b, double flatness, int n, double longerSide, double bottomLayer, double gaugeSd) {
        double hollow = flatness - GaugeNoise.expectedRange(n) * gaugeSd;
        if (hollow > Math.max(2 * bottomLayer, LEAST_HOLLOW_MM)) {
            return Verdict.SAND;
        }
        return Math.hypot(a, b) * longerSide > bottomLayer ? Verdict.ADJUST : Verdict.GOOD;
    }

    private static void check(List<Reading> readings, double width, double depth, double bottomLayer, double gaugeSd) {
        require(readings.size() >= FEWEST, "Level takes at least three readings; there are " + readings.size() + ".");
        require(readings.size() <= MOST, "Level takes 25 readings at the most; there are " + readings.size() + ".");
        for (Reading r : readings) {
            require(
                    Double.isFinite(r.zMm()) && Math.abs(r.zMm()) <= FARTHEST_READING_MM,
                    "A reading of " + r.zMm()
                            + " mm is not believable: a plate is within 10 mm of level. Look at the unit.");
            require(
                    Math.abs(r.xMm()) <= FARTHEST_PLACE_MM && Math.abs(r.yMm()) <= FARTHEST_PLACE_MM,
                    "A place of " + r.xMm() + ", " + r.yMm() + " mm is off any plate.");
        }
        require(
                readings.size() == FEWEST
                        || readings.stream()
                                        .mapToDouble(Reading::zMm)
                                        .distinct()
                                        .count()
                                > 1,
                "Every reading is the same to the last digit: the gauge may be stuck.");
        require(
                width > 0 && depth > 0 && width <= FARTHEST_PLACE_MM && depth <= FARTHEST_PLACE_MM,
                "The plate's sides must be more than 0 and at most 2000 mm.");
        require(bottomLayer > 0 && bottomLayer <= 1, "A bottom layer is more than 0 and at most 1 mm high.");
        require(gaugeSd >= 0 && gaugeSd <= 1, "The gauge's standard deviation is 0 to 1 mm.");
    }

    private static void require(boolean sound, String otherwise) {
        if (!sound) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
