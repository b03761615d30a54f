package keel.app.prints.web;

import java.util.ArrayList;
import java.util.List;
import keel.app.prints.ProfileView;
import keel.core.rate.SuccessRate;

/** How each version fared: a bar over the interval, a mark at the share that came out; px of 300 for 0 to 100 %. */
record VersionChart(List<VersionRow> rows) {

    private static final double WIDTH = 300;

    /** One version; x and width are null where nothing was printed with it. */
    record VersionRow(ProfileView.Version version, Double x, Double width, Double mark, String words) {}

    static VersionChart of(List<ProfileView.Version> versions) {
        List<VersionRow> rows = new ArrayList<>();
        for (ProfileView.Version v : versions) {
            SuccessRate rate = v.fared().rate().orElse(null);
            rows.add(
                    rate == null
                            ? new VersionRow(v, null, null, null, "nothing printed yet")
                            : new VersionRow(
                                    v,
                                    WIDTH * rate.low(),
                                    WIDTH * (rate.high() - rate.low()),
                                    WIDTH * rate.share(),
                                    words(rate)));
        }
        return new VersionChart(rows);
    }

    static String words(SuccessRate rate) {
        return "%d of %d came out, %.0f to %.0f %%"
                .formatted(rate.good(), rate.runs(), 100 * rate.low(), 100 * rate.high());
    }
}
