package keel.app.floor.web;

import java.util.ArrayList;
import java.util.List;
import keel.app.floor.month.MonthReport;

/** Prints of each day of a month: what came out below, what did not on top of it. */
record MonthDays(int width, int height, double base, List<Bar> bars, int most, String words) {

    private static final int WIDTH = 720;
    private static final int HEIGHT = 150;
    private static final double LEFT = 26;
    private static final double TOP = 12;
    private static final double BASE = HEIGHT - 22;
    private static final double SHARE = 0.68;

    /** A day: heights from the base up; {@code label} is empty for most. */
    record Bar(double x, double width, double good, double bad, String label, String title) {}

    static MonthDays of(MonthReport r) {
        int most = Math.max(1, r.most());
        double step = (WIDTH - LEFT) / r.month().lengthOfMonth();
        List<Bar> bars = new ArrayList<>();
        for (MonthReport.Day d : r.days()) {
            double per = (BASE - TOP) / most;
            boolean named = d.day() == 1 || d.day() % 5 == 0;
            bars.add(new Bar(
                    LEFT + (d.day() - 1) * step,
                    step * SHARE,
                    d.cameOut() * per,
                    d.failed() * per,
                    named ? Integer.toString(d.day()) : "",
                    d.day() + ": " + d.cameOut() + " came out, " + d.failed() + " did not"));
        }
        String words = "Prints by day: " + r.now().cameOut() + " came out, "
                + r.now().failed() + " did not; at most " + r.most() + " a day.";
        return new MonthDays(WIDTH, HEIGHT, BASE, bars, r.most(), words);
    }
}
