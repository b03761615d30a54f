package keel.core.plate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.QRDecomposition;
import org.hipparchus.linear.RealVector;

/**
 * Level and flatness of a plate from gauge readings: the least-squares plane z = c + a·x + b·y through them. x is to
 * the right, y to the back, z up, all mm.
 *
 * <p>Verdicts are common practice, no published source. ADJUST where the tilt over the longer side exceeds a bottom
 * layer and is more than noise of the gauge explains: the slopes' squares, each by its variance, against chi-square
 * with two degrees of freedom, 2.5 % by chance (NIST/SEMATECH e-Handbook 1.3.6.6.6).
 *
 * <p>SAND where the residuals' peak to valley, less what noise alone explains ({@link GaugeNoise}), exceeds two bottom
 * layers and 0.1 mm. A plate that needs both is sanded first.
 *
 * @param tiltXMmPer100 rise per 100 mm towards +x
 * @param tiltYMmPer100 rise per 100 mm towards +y
 * @param flatnessMm residual peak to valley
 * @param lowCorner the corner that is lowest; NONE where the slope is within the gauge's noise
 * @param lowByMm how much lower it is than the highest
 * @param noiseMm so much of a tilt over the longer side noise alone may show, by these points and this gauge
 * @param cannotSee shapes that leave no trace at these points
 */
public record PlateLevel(
        double tiltXMmPer100,
        double tiltYMmPer100,
        double flatnessMm,
        Corner lowCorner,
        double lowByMm,
        Verdict verdict,
        double noiseMm,
        List<Shape> cannotSee) {

    private static final int FEWEST = 3;
    private static final int MOST = 25;
    public static final double USUAL_GAUGE_SD_MM = 0.01;

    private static final double FARTHEST_READING_MM = 10;
    private static final double FARTHEST_PLACE_MM = 2000;
    private static final double LEAST_HOLLOW_MM = 0.1;
    private static final double ALMOST_ON_A_LINE = 1e-6;
    private static final double NO_SLOPE = 1e-9;
    private static final double NO_TRACE = 1e-3;
    private static final double BY_CHANCE = 0.025;
    private static final double CERTAIN = ChiSquaredDistribution.of(2).inverseSurvivalProbability(BY_CHANCE);

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

    /** How a plate can be out of flat. */
    public enum Shape {
        DISH("the middle lower or higher than the edge"),
        TWIST("two opposite corners up, the others down"),
        BEND_ACROSS("a bend from left to right"),
        BEND_DEEP("a bend from front to back");

        private final String words;

        Shape(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Height of such a shape, x and y from the middle of the points. */
        private double at(double x, double y) {
            return switch (this) {
                case DISH -> x * x + y * y;
                case TWIST -> x * y;
                case BEND_ACROSS -> x * x;
                case BEND_DEEP -> y * y;
            };
        }
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
        double longer = Math.max(plateWidthMm, plateDepthMm);
        double noise = noise(readings, middleX, middleY, a, b, gaugeSdMm) * longer;
        boolean told = Math.hypot(a, b) * longer > noise;
        return new PlateLevel(
                100 * a,
                100 * b,
                flatness,
                rise <= 2 * gaugeSdMm || !told ? Corner.NONE : corner(a, b),
                rise,
                hollow(flatness, readings.size(), gaugeSdMm, bottomLayerMm)
                        ? Verdict.SAND
                        : told && Math.hypot(a, b) * longer > bottomLayerMm ? Verdict.ADJUST : Verdict.GOOD,
                noise,
                unseen(readings, middleX, middleY));
    }

    /**
     * What these readings leave open, a sentence each: a tilt that noise may hide, shapes that the places cannot show.
     */
    public List<String> leftOpen(double bottomLayerMm) {
        List<String> open = new ArrayList<>();
        if (noiseMm > bottomLayerMm) {
            open.add(String.format(
                    Locale.ROOT,
                    "A tilt below %.2f mm may be this gauge's noise: read each place several times and take the "
                            + "middle one, or take more places.",
                    noiseMm));
        }
        if (cannotSee.size() == Shape.values().length) {
            open.add("Three places show a tilt and nothing of flatness.");
        } else if (!cannotSee.isEmpty()) {
            open.add("These places cannot show "
                    + String.join(", ", cannotSee.stream().map(Shape::words).toList()) + ".");
        }
        return open;
    }

    /** The steepest slope that noise alone shows in the direction of a slope, in all but few of cases. */
    private static double noise(List<Reading> readings, double middleX, double middleY, double a, double b, double sd) {
        double xx = 0;
        double xy = 0;
        double yy = 0;
        for (Reading r : readings) {
            double x = r.xMm() - middleX;
            double y = r.yMm() - middleY;
            xx += x * x;
            xy += x * y;
            yy += y * y;
        }
        double steep = Math.hypot(a, b);
        double alongX = steep == 0 ? 1 : a / steep;
        double alongY = steep == 0 ? 0 : b / steep;
        double tells = alongX * alongX * xx + 2 * alongX * alongY * xy + alongY * alongY * yy;
        return sd * Math.sqrt(CERTAIN / tells);
    }

    /** Shapes that a plane through the points takes up whole. */
    private static List<Shape> unseen(List<Reading> readings, double middleX, double middleY) {
        return Arrays.stream(Shape.values())
                .filter(shape -> {
                    List<Reading> shaped = readings.stream()
                            .map(r -> new Reading(r.xMm(), r.yMm(), shape.at(r.xMm() - middleX, r.yMm() - middleY)))
                            .toList();
                    RealVector plane = fit(shaped, middleX, middleY);
                    double most = shaped.stream()
                            .mapToDouble(r -> Math.abs(r.zMm()))
                            .max()
                            .orElse(0);
                    return shaped.stream()
                            .allMatch(r -> Math.abs(r.zMm()
                                            - plane.getEntry(0)
                                            - plane.getEntry(1) * (r.xMm() - middleX)
                                            - plane.getEntry(2) * (r.yMm() - middleY))
                                    <= NO_TRACE * most);
                })
                .toList();
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

    private static boolean hollow(double flatness, int n, double gaugeSd, double bottomLayer) {
        return flatness - GaugeNoise.expectedRange(n) * gaugeSd > Math.max(2 * bottomLayer, LEAST_HOLLOW_MM);
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
