package keel.app.floor.web;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.app.floor.week.WhatItBrought;
import keel.core.week.Stood;

/**
 * Weeks gone as columns of machine hours: what came out below, what printed in vain on it, then what stood while
 * somebody was there, and above what stood while nobody was.
 */
record WeeksDrawing(double width, double height, double base, List<Column> columns, List<Mark> marks, String words) {

    private static final double WIDTH = 1180;
    private static final double HEIGHT = 250;
    private static final double BASE = 218;
    private static final double TOP = 12;
    private static final double LEFT = 46;
    private static final double BAR = 0.62;
    private static final int[] STEPS = {10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000};
    private static final int MOST_MARKS = 5;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    /** A part of a column. */
    record Part(String kind, double y, double height, String title) {}

    record Column(double x, double width, String name, boolean planned, List<Part> parts) {}

    record Mark(double y, String text) {}

    static WeeksDrawing of(WhatItBrought.Gone gone) {
        double most =
                gone.weeks().stream().mapToDouble(w -> w.stood().all()).max().orElse(1);
        double perHour = (BASE - TOP) / Math.max(1, most);
        double pitch = (WIDTH - LEFT) / Math.max(1, gone.weeks().size());
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < gone.weeks().size(); i++) {
            WhatItBrought.WeekGone w = gone.weeks().get(i);
            columns.add(new Column(
                    LEFT + pitch * (i + (1 - BAR) / 2),
                    pitch * BAR,
                    DAY.format(w.stood().monday()),
                    w.planned(),
                    parts(w.stood(), perHour)));
        }
        return new WeeksDrawing(WIDTH, HEIGHT, BASE, columns, marks(most, perHour), words(gone));
    }

    private static List<Part> parts(Stood s, double perHour) {
        String[] kinds = {"came", "vain", "seen", "unseen"};
        String[] words = {
            "h printed and came out",
            "h printed in vain",
            "h stood while somebody was there",
            "h stood while nobody was"
        };
        double[] hours = {s.came(), s.printed() - s.came(), s.stoodSeen(), s.stoodUnseen()};
        List<Part> parts = new ArrayList<>();
        double y = BASE;
        for (int k = 0; k < kinds.length; k++) {
            double height = Math.max(0, hours[k]) * perHour;
            y -= height;
            if (height > 0) {
                parts.add(new Part(kinds[k], y, height, String.format(Locale.ROOT, "%.0f %s", hours[k], words[k])));
            }
        }
        return parts;
    }

    private static List<Mark> marks(double most, double perHour) {
        List<Mark> marks = new ArrayList<>();
        for (int step : STEPS) {
            if (most / step <= MOST_MARKS) {
                for (int h = step; h <= most; h += step) {
                    marks.add(new Mark(BASE - h * perHour, h + " h"));
                }
                break;
            }
        }
        return marks;
    }

    private static String words(WhatItBrought.Gone gone) {
        return gone.weeks().size() + " weeks, each a column of machine hours: came out, printed in vain, stood while "
                + "somebody was there, stood while nobody was. The same as a table below.";
    }
}
