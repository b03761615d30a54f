package keel.sim.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import keel.core.diagnosis.Diagnosis;

/**
 * How right a diagnosis was, over many failures: share with the true cause first and among the first three, Brier score
 * (Brier 1950, over all causes), expected calibration error over ten bins of what was said of the first cause (Naeini
 * and others 2015), median minutes.
 */
record Reliability(
        double topOne,
        double topThree,
        double brier,
        double calibrationError,
        double presentError,
        double medianMinutes,
        List<Bin> bins) {

    private static final int BINS = 10;

    /** What was said of a failure and how long it took to know. */
    record Told(Diagnosis diagnosis, double minutes) {}

    /** Diagnoses whose first cause was given about the same probability. */
    record Bin(double said, double right, int cases) {}

    /** @param looks one for each case, of which {@code told} takes what was said */
    static <T> Reliability of(List<Cases.Case> cases, List<T> looks, Function<T, Told> told) {
        int one = 0;
        int three = 0;
        double brier = 0;
        double[] said = new double[BINS];
        int[] right = new int[BINS];
        int[] n = new int[BINS];
        double[] minutes = new double[cases.size()];
        Present present = new Present();
        for (int i = 0; i < cases.size(); i++) {
            Cases.Case c = cases.get(i);
            Told t = told.apply(looks.get(i));
            List<Diagnosis.Suspect> causes = t.diagnosis().causes();
            boolean hit = c.right(causes.get(0).code());
            one += hit ? 1 : 0;
            three += causes.subList(0, 3).stream().anyMatch(s -> c.right(s.code())) ? 1 : 0;
            brier += causes.stream()
                    .mapToDouble(s -> Math.pow(
                            s.probability() - (c.truth().causes().get(0).equals(s.code()) ? 1 : 0), 2))
                    .sum();
            int bin = Math.min(BINS - 1, (int) (BINS * causes.get(0).probability()));
            said[bin] += causes.get(0).probability();
            right[bin] += hit ? 1 : 0;
            n[bin]++;
            minutes[i] = t.minutes();
            present.add(c, causes);
        }
        double error = 0;
        List<Bin> bins = new ArrayList<>();
        for (int b = 0; b < BINS; b++) {
            error += Math.abs(said[b] - right[b]) / cases.size();
            if (n[b] > 0) {
                bins.add(new Bin(said[b] / n[b], (double) right[b] / n[b], n[b]));
            }
        }
        Arrays.sort(minutes);
        return new Reliability(
                (double) one / cases.size(),
                (double) three / cases.size(),
                brier / cases.size(),
                error,
                present.error(),
                minutes[minutes.length / 2],
                bins);
    }

    /** Calibration of what is said to be there at all, over every cause given a chance worth saying. */
    private static final class Present {

        private static final double WORTH_SAYING = 0.05;

        private final double[] said = new double[BINS];
        private final int[] there = new int[BINS];
        private int all;

        void add(Cases.Case c, List<Diagnosis.Suspect> causes) {
            for (Diagnosis.Suspect s : causes) {
                if (s.present() >= WORTH_SAYING) {
                    int bin = Math.min(BINS - 1, (int) (BINS * s.present()));
                    said[bin] += s.present();
                    there[bin] += c.there(s.code()) ? 1 : 0;
                    all++;
                }
            }
        }

        double error() {
            double error = 0;
            for (int b = 0; b < BINS; b++) {
                error += Math.abs(said[b] - there[b]) / all;
            }
            return error;
        }
    }

    @Override
    public String toString() {
        return String.format(
                Locale.ROOT,
                "top-1 %4.1f %%  top-3 %4.1f %%  Brier %.3f  calibration error %.3f, of what is there %.3f  "
                        + "median %.0f min",
                100 * topOne,
                100 * topThree,
                brier,
                calibrationError,
                presentError,
                medianMinutes);
    }

    /** Said against true, one line each; on the diagonal what is said is what happens. Area of a dot by its cases. */
    static String svg(Map<String, Reliability> lines) {
        StringBuilder svg = new StringBuilder(
                "<svg xmlns='http://www.w3.org/2000/svg' viewBox='-46 -16 400 370' font-family='sans-serif' "
                        + "font-size='11'>"
                        + "<rect x='-46' y='-16' width='400' height='370' fill='#fbf8f1'/><path d='M0 300H300V0H0Z' "
                        + "fill='none' stroke='#1d2a2e'/>"
                        + "<path d='M0 300L300 0' stroke='#8a8a80' stroke-dasharray='4 4'/><text x='110' "
                        + "y='336'>said of the first cause, %</text>"
                        + "<text transform='rotate(-90)' x='-190' y='-32'>was it, %</text>");
        for (int t = 0; t <= 100; t += 20) {
            svg.append(
                    "<text text-anchor='middle' x='%d' y='316'>%d</text><text text-anchor='end' x='-6' y='%d'>%d</text>"
                            .formatted(3 * t, t, 304 - 3 * t, t));
        }
        int line = 0;
        for (Map.Entry<String, Reliability> e : new TreeMap<>(lines).entrySet()) {
            String ink = line == 0 ? "#0d5560" : "#1d2a2e";
            String dash = line == 0 ? "" : " stroke-dasharray='2 3'";
            StringBuilder path = new StringBuilder();
            int all = e.getValue().bins().stream().mapToInt(Bin::cases).sum();
            for (Bin b : e.getValue().bins()) {
                path.append(path.isEmpty() ? "M" : "L")
                        .append(point(300 * b.said()))
                        .append(' ')
                        .append(point(300 - 300 * b.right()));
                svg.append("<circle cx='%s' cy='%s' r='%s' fill='%s' fill-opacity='%s'/>"
                        .formatted(
                                point(300 * b.said()),
                                point(300 - 300 * b.right()),
                                point(2 + 14 * Math.sqrt((double) b.cases() / all)),
                                ink,
                                line == 0 ? "0.7" : "0.3"));
            }
            svg.append("<path d='%s' fill='none' stroke='%s'%s/>".formatted(path, ink, dash));
            svg.append("<path d='M12 %d h24' stroke='%s'%s/><text x='42' y='%d'>%s: %s</text>"
                    .formatted(
                            16 + 16 * line,
                            ink,
                            dash,
                            20 + 16 * line,
                            e.getKey(),
                            String.format(
                                    Locale.ROOT, "error %.3f", e.getValue().calibrationError())));
            line++;
        }
        return svg.append("</svg>\n").toString();
    }

    private static String point(double x) {
        return String.format(Locale.ROOT, "%.1f", x);
    }
}
