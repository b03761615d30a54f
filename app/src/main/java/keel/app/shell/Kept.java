package keel.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;

/** Holds two states of kept figures against each other. */
public final class Kept {

    private static final double CLOSE = 1e-9;

    private Kept() {}

    /**
     * What differs, a sentence each, by name. Numbers differ beyond a billionth, so that the order of adding up does
     * not count.
     */
    public static List<String> differences(Map<String, List<?>> before, Map<String, List<?>> after) {
        TreeSet<String> names = new TreeSet<>(before.keySet());
        names.addAll(after.keySet());
        List<String> differences = new ArrayList<>();
        for (String name : names) {
            List<?> was = before.get(name);
            List<?> is = after.get(name);
            if (!same(was, is)) {
                differences.add(
                        name + ": " + (was == null ? "nothing" : was) + ", now " + (is == null ? "nothing" : is));
            }
        }
        return differences;
    }

    private static boolean same(List<?> was, List<?> is) {
        if (was == null || is == null || was.size() != is.size()) {
            return false;
        }
        for (int i = 0; i < was.size(); i++) {
            if (!same(was.get(i), is.get(i))) {
                return false;
            }
        }
        return true;
    }

    private static boolean same(Object was, Object is) {
        if (was instanceof Double a && is instanceof Double b) {
            return Math.abs(a - b) <= CLOSE * Math.max(1, Math.max(Math.abs(a), Math.abs(b)));
        }
        return Objects.equals(was, is);
    }
}
