package keel.core.screen;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.hipparchus.stat.correlation.PearsonsCorrelation;

/**
 * Which test picture a photograph shows: ramps by how the light grows over the screen, grids, boards and lines by how
 * well small pieces of the photograph go with what they would show there, white and black by how light it is. Lines
 * that the photograph does not resolve look like an even grey, and are believed.
 */
final class ShownPicture {

    private static final List<TestPattern> TEXTURED =
            List.of(TestPattern.CHECKER, TestPattern.GRID, TestPattern.LINES_X, TestPattern.LINES_Y);
    private static final int PIECES = 31;
    private static final int SIDE = 80;
    private static final int PITCH_PX = 3;
    private static final int[] OFFSETS = {-2, 0, 2};
    private static final double GOES_WITH = 0.3;
    private static final int BANDS = 10;
    private static final double GROWS = 0.5;
    private static final double LIGHT = 0.75;
    private static final double DARK = 0.25;

    private final TestPicture named;
    private final GreyPhoto photo;
    private final PictureToPhoto map;
    private final Straightened s;

    private ShownPicture(TestPicture named, GreyPhoto photo, PictureToPhoto map, Straightened s) {
        this.named = named;
        this.photo = photo;
        this.map = map;
        this.s = s;
    }

    /** A sentence if it is clearly another picture than the one that is named, null otherwise. */
    static String anotherThan(TestPicture named, GreyPhoto photo, PictureToPhoto map, Straightened s) {
        TestPattern seen = new ShownPicture(named, photo, map, s).pattern();
        return seen == null || seen == named.pattern()
                ? null
                : "The photograph shows \"" + seen.words() + "\" and not \""
                        + named.pattern().words() + "\", as was said. Say which picture it was, or show the other one.";
    }

    /** Null where it cannot be told. */
    private TestPattern pattern() {
        if (grows(true)) {
            return TestPattern.RAMP_X;
        }
        if (grows(false)) {
            return TestPattern.RAMP_Y;
        }
        TestPattern best = null;
        double most = GOES_WITH;
        List<Piece> pieces = pieces();
        for (TestPattern p : TEXTURED) {
            double with = goesWith(p, pieces);
            if (with > most) {
                most = with;
                best = p;
            }
        }
        double level = level();
        return best != null ? best : level > LIGHT ? TestPattern.WHITE : level < DARK ? TestPattern.BLACK : null;
    }

    private boolean grows(boolean alongX) {
        Samples[] bands = new Samples[BANDS];
        Arrays.setAll(bands, i -> new Samples());
        for (int i = 0; i < s.light().length; i += 5) {
            if (s.shown()[i] != Straightened.Shown.NONE) {
                double at = alongX ? (double) (i % s.across()) / s.across() : (double) (i / s.across()) / s.deep();
                bands[(int) (at * BANDS)].add(s.light()[i]);
            }
        }
        int up = 0;
        double[] level = Arrays.stream(bands).mapToDouble(b -> b.quantile(0.5)).toArray();
        for (int i = 1; i < BANDS; i++) {
            up += level[i] > level[i - 1] ? 1 : 0;
        }
        return up >= BANDS - 2 && level[BANDS - 1] - level[0] > GROWS * (s.white() - s.black());
    }

    private double level() {
        Samples all = new Samples();
        for (int i = 0; i < s.light().length; i += 7) {
            if (s.shown()[i] != Straightened.Shown.NONE) {
                all.add(s.light()[i]);
            }
        }
        return (all.quantile(0.5) - s.black()) / Math.max(1, s.white() - s.black());
    }

    /** A square of the picture from its left top, and what the photograph shows at every third pixel of it. */
    private record Piece(int left, int top, double[] seen) {

        int x(int k) {
            return left + k % SIDE * PITCH_PX;
        }

        int y(int k) {
            return top + k / SIDE * PITCH_PX;
        }
    }

    /** Some that are spread over the screen. */
    private List<Piece> pieces() {
        Random random = new Random(7);
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < PIECES; i++) {
            Piece piece = new Piece(
                    random.nextInt(Math.max(1, named.pixelsX() - SIDE * PITCH_PX)),
                    random.nextInt(Math.max(1, named.pixelsY() - SIDE * PITCH_PX)),
                    new double[SIDE * SIDE]);
            Arrays.setAll(piece.seen(), k -> {
                double x = piece.x(k) + 0.5;
                double y = piece.y(k) + 0.5;
                return photo.at(map.x(x, y) - 0.5, map.y(x, y) - 0.5);
            });
            pieces.add(piece);
        }
        return pieces;
    }

    /** The middle one of the correlations over the pieces. */
    private double goesWith(TestPattern pattern, List<Piece> pieces) {
        TestPicture picture = TestPicture.of(pattern, named.pixelsX(), named.pixelsY());
        Samples with = new Samples();
        for (Piece piece : pieces) {
            double best = 0;
            for (int shift : OFFSETS) {
                best = Math.max(best, goesWith(picture, piece, shift));
            }
            with.add((float) best);
        }
        return with.quantile(0.5);
    }

    private static double goesWith(TestPicture picture, Piece piece, int shift) {
        double[] meant = new double[SIDE * SIDE];
        double[] seen = new double[SIDE * SIDE];
        int n = 0;
        for (int k = 0; k < meant.length; k++) {
            int x = piece.x(k);
            int y = piece.y(k);
            if (inside(picture, x, y) && inside(picture, x + shift, y + shift) && !picture.covers(x, y)) {
                meant[n] = picture.grey(x + shift, y + shift);
                seen[n++] = piece.seen()[k];
            }
        }
        double r = n < 100 ? 0 : new PearsonsCorrelation().correlation(Arrays.copyOf(meant, n), Arrays.copyOf(seen, n));
        return Double.isNaN(r) ? 0 : r;
    }

    private static boolean inside(TestPicture picture, int x, int y) {
        return x >= 0 && y >= 0 && x < picture.pixelsX() && y < picture.pixelsY();
    }
}
