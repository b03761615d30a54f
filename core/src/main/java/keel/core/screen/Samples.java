package keel.core.screen;

import java.util.Arrays;

/** Numbers that are gathered for a quantile of them. */
final class Samples {

    private float[] values = new float[256];
    private int count;

    void add(float value) {
        if (count == values.length) {
            values = Arrays.copyOf(values, 2 * count);
        }
        values[count++] = value;
    }

    int count() {
        return count;
    }

    /** 0 where there are none. Sorts what was gathered. */
    double quantile(double share) {
        if (count == 0) {
            return 0;
        }
        Arrays.sort(values, 0, count);
        return values[Math.min(count - 1, (int) (share * count))];
    }
}
