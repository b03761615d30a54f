package keel.core;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Collects everything that is wrong with an entry, so that a person hears of all of it at once. Not thread-safe. */
public final class Findings {

    private final List<Finding> found = new ArrayList<>();

    /** Adds a finding where {@code wrong} holds; answers whether it did. */
    public boolean when(boolean wrong, String field, String message) {
        if (wrong) {
            found.add(new Finding(field, message));
        }
        return wrong;
    }

    public void add(String field, String message) {
        found.add(new Finding(field, message));
    }

    public void addAll(List<Finding> more) {
        found.addAll(more);
    }

    /** Adds a finding unless the number is finite and within the closed range; answers whether it is in order. */
    public boolean range(@Nullable Double value, double low, double high, String field, String what, String unit) {
        if (value != null && Double.isFinite(value) && value >= low && value <= high) {
            return true;
        }
        String range = "%s must be between %s and %s%s"
                .formatted(what, plain(low), plain(high), unit.isEmpty() ? "" : " " + unit);
        found.add(new Finding(
                field, value == null ? range + "; it is missing." : range + "; this is " + plain(value) + "."));
        return false;
    }

    /** The same for a number that may be left out: null is in order. */
    public boolean rangeIfGiven(
            @Nullable Double value, double low, double high, String field, String what, String unit) {
        return value == null || range(value, low, high, field, what, unit);
    }

    /** Adds a finding unless the text has one to {@code longest} characters; answers whether it is in order. */
    public boolean text(@Nullable String value, int longest, String field, String what) {
        if (value == null || value.isBlank()) {
            found.add(new Finding(field, what + " is missing."));
            return false;
        }
        return !when(
                value.length() > longest,
                field,
                "%s may have %d characters at most; this has %d.".formatted(what, longest, value.length()));
    }

    public boolean none() {
        return found.isEmpty();
    }

    public List<Finding> list() {
        return List.copyOf(found);
    }

    private static String plain(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15
                ? Long.toString((long) value)
                : Double.toString(value);
    }
}
