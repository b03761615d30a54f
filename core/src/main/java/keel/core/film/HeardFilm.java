package keel.core.film;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * A film as it was heard: from taps at the centre, which give the fundamental, and, where there are some, from taps at
 * a quarter of the long side, which also give the second mode and so how even it is.
 *
 * @param centre tone of the taps at the centre
 * @param quarter of those at the quarter, null if there are none
 * @param tension null where there is no clear tone
 * @param agree whether both recordings gave the same fundamental; true where there is only one
 */
public record HeardFilm(TapTone centre, TapTone quarter, FilmTension tension, boolean agree) {

    private static final double SAME = 0.04;

    /** @param quarter null without a second recording */
    public static HeardFilm of(TapTone centre, TapTone quarter, FilmWindow window, double thicknessMm) {
        if (!centre.clear()) {
            return new HeardFilm(centre, quarter, null, true);
        }
        List<TapTone.Peak> peaks = new ArrayList<>(centre.modes());
        boolean agree = quarter == null
                || !quarter.clear()
                || quarter.peaks().stream().anyMatch(p -> Math.abs(p.hz() / centre.fundamentalHz() - 1) < SAME);
        if (quarter != null && quarter.clear() && agree) {
            peaks = new ArrayList<>(quarter.modes());
        }
        peaks.sort(Comparator.comparingDouble(TapTone.Peak::hz));
        return new HeardFilm(centre, quarter, window.tension(centre.fundamentalHz(), peaks, thicknessMm), agree);
    }

    public boolean clear() {
        return tension != null;
    }
}
