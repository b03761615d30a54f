package keel.core.profile;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import keel.core.Plain;
import org.jspecify.annotations.Nullable;

/** One setting of a print profile, with its unit and the range in which it is believable. */
public enum Setting {
    LAYER_MM("layerMm", "Layer height", "mm", 0.005, 0.5, false),
    BOTTOM_LAYERS("bottomLayers", "Bottom layers", "layers", 0, 200, true),
    BOTTOM_EXPOSURE_S("bottomExposureS", "Bottom exposure", "s", 0, 600, false),
    TRANSITION_LAYERS("transitionLayers", "Transition layers", "layers", 0, 200, true),
    EXPOSURE_S("exposureS", "Layer exposure", "s", 0.05, 300, false),
    WAIT_BEFORE_S("waitBeforeS", "Wait before the light", "s", 0, 300, false),
    WAIT_AFTER_S("waitAfterS", "Wait after the light", "s", 0, 300, false),
    LIFT_MM("liftMm", "Lift", "mm", 0, 100, false),
    LIFT_MM_PER_MIN("liftMmPerMin", "Lift speed", "mm/min", 1, 5000, false),
    RETRACT_MM_PER_MIN("retractMmPerMin", "Retract speed", "mm/min", 1, 5000, false),
    RELEASE_S("releaseS", "Tilt or slide of the vat", "s", 0, 300, false),
    SLOW_RELEASE_S("slowReleaseS", "Slow tilt or slide, 0 where there is none", "s", 0, 300, false),
    SMOOTHING("smoothing", "Edge smoothing, 0 is off", "", 0, 16, true),
    SCALE("scale", "Scale", "", 0.8, 1.25, false);

    private final String code;
    private final String label;
    private final String unit;
    private final double low;
    private final double high;
    private final boolean whole;

    Setting(String code, String label, String unit, double low, double high, boolean whole) {
        this.code = code;
        this.label = label;
        this.unit = unit;
        this.low = low;
        this.high = high;
        this.whole = whole;
    }

    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    /** As in a sentence: "layer exposure". */
    public String name(Locale locale) {
        return label.replaceFirst(", 0 .*", "").toLowerCase(locale);
    }

    /** A value of it as a sentence says it. */
    public String said(double value) {
        return this == SMOOTHING && value == 0 ? "off" : Plain.number(value);
    }

    public String unit() {
        return unit;
    }

    public double low() {
        return low;
    }

    public double high() {
        return high;
    }

    /** Whether it counts something. */
    public boolean whole() {
        return whole;
    }

    /** What it is where a maker's sheet does not name it; null where the sheet must. */
    public @Nullable Double usual() {
        return switch (this) {
            case TRANSITION_LAYERS, WAIT_BEFORE_S, WAIT_AFTER_S, RELEASE_S, SLOW_RELEASE_S, SMOOTHING -> 0.0;
            case SCALE -> 1.0;
            default -> null;
        };
    }

    public static Optional<Setting> called(String code) {
        return Arrays.stream(values()).filter(s -> s.code.equals(code)).findFirst();
    }
}
