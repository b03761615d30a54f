package keel.core.screen;

import keel.core.screen.ScreenInspection.SpotKind;
import keel.core.screen.Straightened.Shown;

/**
 * How much lighter or darker each sample is than it should be, as a share of full light, after a look at its
 * neighbours; nothing where nothing was looked at.
 */
final class Deviations {

    private static final float NOTHING = Float.NaN;
    private static final double HALF = 0.55;

    private final float[] off;
    private final Shown[] shown;
    private final double noise;
    private final boolean asShown;

    private Deviations(float[] off, Shown[] shown, double noise, boolean asShown) {
        this.off = off;
        this.shown = shown;
        this.noise = noise;
        this.asShown = asShown;
    }

    static Deviations of(Straightened s) {
        Backlight lit = Backlight.of(s, Shown.LIT);
        Backlight dark = Backlight.of(s, Shown.DARK);
        Backlight between = Backlight.of(s, Shown.BETWEEN);
        float[] raw = new float[s.light().length];
        for (int i = 0; i < raw.length; i++) {
            double x = 2 * (i % s.across() + 0.5) / s.across() - 1;
            double y = 2 * (i / s.across() + 0.5) / s.deep() - 1;
            raw[i] = switch (s.shown()[i]) {
                case LIT -> lit == null ? NOTHING : share(s, s.light()[i], lit.at(x, y));
                case DARK -> dark == null ? NOTHING : (float) ((s.light()[i] - dark.at(x, y)) / s.white());
                case BETWEEN -> between == null ? NOTHING : (float) ((s.light()[i] - between.at(x, y)) / s.white());
                case NONE -> NOTHING;
            };
        }
        float[] smooth = smooth(raw, s.across(), s.deep());
        return new Deviations(smooth, s.shown(), noise(smooth), asShown(lit, dark, s.white()));
    }

    /** Of the light above the photograph's own black, so that a dead place comes out as one without light. */
    private static float share(Straightened s, float light, double full) {
        return (float) ((light - full) / Math.max(1, full - Math.min(s.black(), full / 2)));
    }

    /** Lit and dark must be as light and as dark as they were shown, against the white around the marks. */
    private static boolean asShown(Backlight lit, Backlight dark, double white) {
        return (lit == null || lit.at(0, 0) > HALF * white) && (dark == null || dark.at(0, 0) < HALF * white);
    }

    /** Whether, on the whole, it is the picture that was shown. */
    boolean asShown() {
        return asShown;
    }

    private static float[] smooth(float[] raw, int across, int deep) {
        float[] smooth = new float[raw.length];
        for (int row = 0; row < deep; row++) {
            for (int column = 0; column < across; column++) {
                float sum = 0;
                int n = 0;
                for (int r = Math.max(0, row - 1); r <= Math.min(deep - 1, row + 1); r++) {
                    for (int c = Math.max(0, column - 1); c <= Math.min(across - 1, column + 1); c++) {
                        float value = raw[r * across + c];
                        if (!Float.isNaN(value)) {
                            sum += value;
                            n++;
                        }
                    }
                }
                float here = raw[row * across + column];
                smooth[row * across + column] = !Float.isNaN(here) ? sum / n : NOTHING;
            }
        }
        return smooth;
    }

    /** Standard deviation of what is not a spot: by the median of the absolute deviations. */
    private static double noise(float[] off) {
        Samples values = new Samples();
        for (int i = 0; i < off.length; i += 3) {
            if (!Float.isNaN(off[i])) {
                values.add(Math.abs(off[i]));
            }
        }
        return 1.4826 * values.quantile(0.5);
    }

    /** NaN where nothing was looked at. */
    float at(int i) {
        return off[i];
    }

    double noise() {
        return noise;
    }

    /** Whether a sample can tell of such a spot: dark ones show where light was, lit ones where dark was. */
    boolean looked(int i, SpotKind kind) {
        return !Float.isNaN(off[i]) && shown[i] != (kind == SpotKind.LIT ? Shown.LIT : Shown.DARK);
    }

    /** What was shown there, as far as it was looked at. */
    Shown shown(int i) {
        return shown[i];
    }

    double shareBeyond(double least) {
        int n = 0;
        int beyond = 0;
        for (float value : off) {
            n += !Float.isNaN(value) ? 1 : 0;
            beyond += Math.abs(value) > least ? 1 : 0;
        }
        return n == 0 ? 1 : (double) beyond / n;
    }
}
