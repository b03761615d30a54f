package keel.core;

import java.util.Locale;

/** Numbers as a sentence says them. */
public final class Plain {

    private Plain() {}

    public static String number(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e9
                ? Long.toString((long) value)
                : String.format(Locale.ROOT, "%.3f", value).replaceAll("0+$", "");
    }

    /** 5.33 to "5 h 20 min". */
    public static String duration(double hours) {
        long minutes = Math.round(hours * 60);
        return minutes < 60
                ? minutes + " min"
                : minutes / 60 + " h" + (minutes % 60 == 0 ? "" : " " + minutes % 60 + " min");
    }
}
