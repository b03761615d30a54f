package keel.app.prints.web;

import java.util.ArrayList;
import java.util.List;
import keel.core.profile.ProfileSettings;
import keel.core.profile.Setting;

/**
 * What a normal layer's seconds are spent on, as a strip.
 *
 * @param seconds of a whole layer
 * @param parts in the order in which they come
 */
record LayerStrip(double seconds, List<LayerPart> parts) {

    private static final double WIDTH = 1000;

    /** A stretch of a layer: x and width in px of 1000. */
    record LayerPart(String name, double seconds, double x, double width, boolean light) {}

    static LayerStrip of(ProfileSettings s) {
        double[] seconds = {
            s.value(Setting.WAIT_BEFORE_S),
            s.value(Setting.EXPOSURE_S),
            s.value(Setting.WAIT_AFTER_S),
            60 * s.value(Setting.LIFT_MM) / s.value(Setting.LIFT_MM_PER_MIN),
            60 * s.value(Setting.LIFT_MM) / s.value(Setting.RETRACT_MM_PER_MIN),
            s.value(Setting.RELEASE_S)
        };
        String[] names = {"wait", "light", "wait", "lift", "retract", "release"};
        double whole = 0;
        for (double part : seconds) {
            whole += part;
        }
        List<LayerPart> parts = new ArrayList<>();
        double x = 0;
        for (int i = 0; i < seconds.length; i++) {
            double width = WIDTH * seconds[i] / whole;
            if (seconds[i] > 0) {
                parts.add(new LayerPart(names[i], seconds[i], x, width, i == 1));
            }
            x += width;
        }
        return new LayerStrip(whole, parts);
    }
}
