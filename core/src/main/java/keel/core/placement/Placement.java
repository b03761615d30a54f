package keel.core.placement;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The least worn place on a plate that a footprint may take: every place at a millimetre, as it lies and turned by a
 * quarter, or by 45° and 135° where a quirk asks for it. Spots are kept off by a margin. Of places that are worn
 * alike the one nearest to the middle.
 *
 * @param xMm middle of the footprint from the left, {@code yMm} from the front
 * @param rotationDeg 0, 90, 45 or 135, counter-clockwise
 * @param wear mean under it
 * @param wearAtCentre mean under it in the middle of the plate, turned the same way
 */
public record Placement(double xMm, double yMm, int rotationDeg, double wear, double wearAtCentre) {

    private static final double STEP_MM = 1;
    private static final double ALIKE = 1e-9;

    /** A place to keep off: a round of that size. */
    public record Spot(double xMm, double yMm, double sizeMm) {}

    /**
     * What is asked: plate and footprint, length along x by width along y, mm.
     *
     * @param taken where others lie already; kept off by the same margin as spots
     */
    public record Question(
            double plateLengthMm,
            double plateWidthMm,
            double lengthMm,
            double widthMm,
            double marginMm,
            List<Spot> spots,
            WearGrid wear,
            boolean diagonal,
            List<PlacedPart> taken) {

        Question of(Size size, List<PlacedPart> others) {
            return new Question(
                    plateLengthMm,
                    plateWidthMm,
                    size.lengthMm(),
                    size.widthMm(),
                    marginMm,
                    spots,
                    wear,
                    diagonal,
                    others);
        }
    }

    /** A footprint that has no place yet. */
    public record Size(double lengthMm, double widthMm) {}

    /** The footprint at this place. */
    public PlacedPart part(double lengthMm, double widthMm) {
        return new PlacedPart(xMm, yMm, lengthMm, widthMm, rotationDeg);
    }

    /**
     * Places for several footprints: the largest first, each the least worn that the others leave.
     *
     * @return a place for each, in the order in which they were given; null where none is left
     */
    public static List<Placement> several(Question q, List<Size> sizes) {
        Placement[] places = new Placement[sizes.size()];
        List<PlacedPart> taken = new ArrayList<>(q.taken());
        IntStream.range(0, places.length)
                .boxed()
                .sorted(Comparator.comparing(
                        (Integer i) -> -sizes.get(i).lengthMm() * sizes.get(i).widthMm()))
                .forEach(i -> {
                    Size size = sizes.get(i);
                    places[i] = best(q.of(size, taken));
                    if (places[i] != null) {
                        taken.add(places[i].part(size.lengthMm(), size.widthMm()));
                    }
                });
        return Arrays.asList(places);
    }

    /**
     * The best place, null where there is none. Where it is to be turned by 45° and does not fit so, it is placed
     * straight.
     *
     * @throws IllegalArgumentException if plate or footprint are not more than 0
     */
    public static Placement best(Question q) {
        for (double side : new double[] {q.plateLengthMm(), q.plateWidthMm(), q.lengthMm(), q.widthMm()}) {
            if (!(side > 0) || Double.isInfinite(side)) {
                throw new IllegalArgumentException("Plate and footprint must be more than 0 mm.");
            }
        }
        Search search = new Search(q);
        if (q.diagonal()) {
            search.turned(new Slanted(q.lengthMm(), q.widthMm()), 45);
            search.turned(new Slanted(q.widthMm(), q.lengthMm()), 135);
        }
        if (search.best == null) {
            search.straight(q.lengthMm(), q.widthMm(), 0);
            if (q.lengthMm() != q.widthMm()) {
                search.straight(q.widthMm(), q.lengthMm(), 90);
            }
        }
        return search.best;
    }

    private static final class Search {

        private final Question q;
        private Placement best;
        private double bestOff;

        Search(Question q) {
            this.q = q;
        }

        void straight(double w, double d, int rotation) {
            double atCentre =
                    fits(w, d) ? q.wear().mean((q.plateLengthMm() - w) / 2, (q.plateWidthMm() - d) / 2, w, d) : 0;
            for (double y : steps(q.plateWidthMm() - d)) {
                for (double x : steps(q.plateLengthMm() - w)) {
                    double wear = q.wear().mean(x, y, w, d);
                    if (better(wear, x + w / 2, y + d / 2)
                            && clear(x, y, w, d)
                            && free(x + w / 2, y + d / 2, rotation)) {
                        take(new Placement(x + w / 2, y + d / 2, rotation, wear, atCentre));
                    }
                }
            }
        }

        void turned(Slanted shape, int rotation) {
            double half = shape.half();
            if (!fits(2 * half, 2 * half)) {
                return;
            }
            Rows rows = Rows.of(q);
            double atCentre = rows.under(shape, q.plateWidthMm() / 2).mean(q.plateLengthMm() / 2);
            double[] across = steps(q.plateLengthMm() - 2 * half);
            for (double y : steps(q.plateWidthMm() - 2 * half)) {
                Rows.Under under = rows.under(shape, y + half);
                for (double x : across) {
                    double wear = under.mean(x + half);
                    if (better(wear, x + half, y + half)
                            && free(x + half, y + half, rotation)
                            && q.spots().stream()
                                    .noneMatch(s -> shape.near(
                                            s.xMm() - x - half, s.yMm() - y - half, s.sizeMm() / 2 + q.marginMm()))) {
                        take(new Placement(x + half, y + half, rotation, wear, atCentre));
                    }
                }
            }
        }

        private boolean fits(double w, double d) {
            return w <= q.plateLengthMm() && d <= q.plateWidthMm();
        }

        /** From the rim in steps, the far rim too; none where it does not fit. */
        private static double[] steps(double room) {
            if (room < 0) {
                return new double[0];
            }
            int whole = (int) Math.floor(room / STEP_MM);
            boolean rest = room - whole * STEP_MM > 1e-9;
            double[] steps = new double[whole + (rest ? 2 : 1)];
            for (int i = 0; i <= whole; i++) {
                steps[i] = i * STEP_MM;
            }
            steps[steps.length - 1] = room;
            return steps;
        }

        private boolean better(double wear, double x, double y) {
            double alike = best == null ? 0 : ALIKE * Math.max(1, Math.abs(best.wear()));
            return best == null
                    || wear < best.wear() - alike
                    || wear < best.wear() + alike && off(x, y) < bestOff - 1e-9;
        }

        private double off(double x, double y) {
            return Math.hypot(x - q.plateLengthMm() / 2, y - q.plateWidthMm() / 2);
        }

        private void take(Placement placement) {
            best = placement;
            bestOff = off(placement.xMm(), placement.yMm());
        }

        private boolean free(double x, double y, int rotation) {
            if (q.taken().isEmpty()) {
                return true;
            }
            PlacedPart here = new PlacedPart(x, y, q.lengthMm(), q.widthMm(), rotation);
            return q.taken().stream().noneMatch(other -> Overlap.nearer(here, other, q.marginMm()));
        }

        private boolean clear(double x, double y, double w, double d) {
            for (Spot s : q.spots()) {
                double dx = Math.max(0, Math.max(x - s.xMm(), s.xMm() - x - w));
                double dy = Math.max(0, Math.max(y - s.yMm(), s.yMm() - y - d));
                double keep = s.sizeMm() / 2 + q.marginMm();
                if (dx * dx + dy * dy < keep * keep || keep == 0 && dx == 0 && dy == 0) {
                    return false;
                }
            }
            return true;
        }
    }

    /** A rectangle turned by 45° about its middle. */
    private record Slanted(double length, double width) {

        /** Half of the square that it fills. */
        double half() {
            return (length + width) / (2 * Math.sqrt(2));
        }

        /** From where to where it reaches in a row at this height above its middle, against its middle. */
        double[] span(double y) {
            double s = Math.sqrt(2);
            double from = Math.max(-length / s - y, y - width / s);
            double to = Math.min(length / s - y, y + width / s);
            return new double[] {from, to};
        }

        boolean near(double x, double y, double keep) {
            double along = Math.abs(x + y) / Math.sqrt(2);
            double beside = Math.abs(y - x) / Math.sqrt(2);
            double dx = Math.max(0, along - length / 2);
            double dy = Math.max(0, beside - width / 2);
            return dx * dx + dy * dy < keep * keep || keep == 0 && dx == 0 && dy == 0;
        }
    }

    /** Running sums of the wear along rows a millimetre high. */
    private record Rows(double[][] sums, double plateLength) {

        static Rows of(Question q) {
            int across = (int) Math.ceil(q.plateLengthMm());
            int deep = (int) Math.ceil(q.plateWidthMm());
            double[][] sums = new double[deep][across + 1];
            for (int r = 0; r < deep; r++) {
                for (int c = 0; c < across; c++) {
                    sums[r][c + 1] = sums[r][c]
                            + q.wear().at(Math.min(c + 0.5, q.plateLengthMm()), Math.min(r + 0.5, q.plateWidthMm()));
                }
            }
            return new Rows(sums, q.plateLengthMm());
        }

        /** The rows under a shape whose middle lies at this height. */
        Under under(Slanted shape, double y) {
            int from = (int) Math.max(0, Math.floor(y - shape.half()));
            int to = (int) Math.min(sums.length - 1, Math.floor(y + shape.half()));
            double[] left = new double[to - from + 1];
            double[] right = new double[to - from + 1];
            for (int r = from; r <= to; r++) {
                double[] span = shape.span(r + 0.5 - y);
                left[r - from] = span[0];
                right[r - from] = Math.max(span[0], span[1]);
            }
            return new Under(this, from, left, right);
        }

        /** From where to where a shape reaches in each row, against its middle. */
        private record Under(Rows rows, int first, double[] left, double[] right) {

            double mean(double x) {
                double sum = 0;
                double area = 0;
                for (int i = 0; i < left.length; i++) {
                    double from = Math.max(0, x + left[i]);
                    double to = Math.min(rows.plateLength, x + right[i]);
                    if (to > from) {
                        sum += rows.up(first + i, to) - rows.up(first + i, from);
                        area += to - from;
                    }
                }
                return area == 0 ? 0 : sum / area;
            }
        }

        private double up(int row, double x) {
            int c = Math.min(sums[row].length - 2, (int) x);
            double f = x - c;
            return sums[row][c] * (1 - f) + sums[row][c + 1] * f;
        }
    }
}
