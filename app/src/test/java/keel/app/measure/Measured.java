package keel.app.measure;

import java.lang.management.ManagementFactory;
import java.util.Arrays;
import java.util.Locale;
import keel.app.support.QueryCounting;

/**
 * What an action costs: median server time over many repetitions, statements to the database, memory it allocates. One
 * line of it stands beside a baseline measured in the same run; alone it says little.
 *
 * @param medianMs median wall time, ms
 * @param statements statements a single call sends
 * @param allocatedKb memory the calling thread allocates in a call, kB
 */
record Measured(String what, double medianMs, long statements, long allocatedKb) {

    private static final int WARM_UP = 60;
    private static final int REPEAT = 101;

    static Measured of(String what, Runnable action) {
        return of(what, WARM_UP, REPEAT, action);
    }

    /** Of something slow, fewer times. */
    static Measured seldom(String what, Runnable action) {
        return of(what, 3, 9, action);
    }

    private static Measured of(String what, int warmUp, int repeat, Runnable action) {
        for (int i = 0; i < warmUp; i++) {
            action.run();
        }
        var threads = (com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean();
        long allocated = threads.getCurrentThreadAllocatedBytes();
        long[] nanos = new long[repeat];
        for (int i = 0; i < repeat; i++) {
            long start = System.nanoTime();
            action.run();
            nanos[i] = System.nanoTime() - start;
        }
        allocated = (threads.getCurrentThreadAllocatedBytes() - allocated) / repeat / 1024;
        Arrays.sort(nanos);
        return new Measured(what, nanos[repeat / 2] / 1e6, QueryCounting.during(action), allocated);
    }

    /** Prints this with its ratio to a baseline of the same run. */
    Measured beside(Measured baseline) {
        System.out.printf(
                Locale.ROOT,
                "%-58s %8.2f ms  %3d statements  %6d kB   %5.2f x %s%n",
                what,
                medianMs,
                statements,
                allocatedKb,
                medianMs / baseline.medianMs,
                baseline.what);
        return this;
    }
}
