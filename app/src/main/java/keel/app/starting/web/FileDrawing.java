package keel.app.starting.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.app.starting.FileVerdict;
import keel.app.starting.JobFiles;
import keel.core.preflight.FileFinding;
import keel.core.preflight.Outline;
import keel.core.preflight.Silhouette;

/**
 * A file as it is drawn: from three sides, and the lit area layer by layer, with a mark for each finding.
 *
 * @param views none where the outline is not known
 * @param curve path of the lit area; {@code curveMarks} where something is on it
 * @param tallest of the curve, cm²
 */
record FileDrawing(List<View> views, String curve, List<Mark> curveMarks, List<Tick> ticks, double tallest) {

    static final double CURVE_WIDTH = 760;
    static final double CURVE_HEIGHT = 120;
    private static final int POINTS = 380;
    private static final double LONGEST = 205;

    /** @param y null for those that stand on the axis */
    record Mark(int n, String kind, double x, double y) {}

    record Tick(double x, String words) {}

    /** A silhouette; its path is in its own cells. */
    record View(String name, double width, double height, int across, int high, String path, List<Mark> marks) {}

    static FileDrawing of(JobFiles.JobFile file, FileVerdict verdict) {
        List<Double> areas = file.checked().areaCm2();
        double tallest = areas.stream().mapToDouble(Double::doubleValue).max().orElse(0);
        List<Mark> marks = verdict.findings().stream()
                .map(j -> new Mark(j.n(), kind(j), x(j.finding().layer(), areas.size()), 0))
                .toList();
        return new FileDrawing(views(file, verdict), curve(areas, tallest), marks, ticks(file), tallest);
    }

    private static String kind(FileVerdict.Judged j) {
        if (j.decision() != null) {
            return j.decision().accepted() ? "accepted" : "stop";
        }
        return j.finding().severity().name().toLowerCase(Locale.ROOT);
    }

    private static double x(int layer, int layers) {
        return CURVE_WIDTH * (layer - 0.5) / layers;
    }

    /** Of layers that share a point the largest area. */
    private static String curve(List<Double> areas, double tallest) {
        int points = Math.min(POINTS, areas.size());
        StringBuilder path = new StringBuilder("M0 " + number(CURVE_HEIGHT));
        for (int i = 0; i < points; i++) {
            int from = (int) ((long) i * areas.size() / points);
            int to = (int) ((long) (i + 1) * areas.size() / points);
            double area = areas.subList(from, to).stream()
                    .mapToDouble(Double::doubleValue)
                    .max()
                    .orElse(0);
            String y = number(CURVE_HEIGHT * (1 - (tallest > 0 ? area / tallest : 0)));
            path.append('L')
                    .append(number(CURVE_WIDTH * from / areas.size()))
                    .append(' ')
                    .append(y);
            path.append('L')
                    .append(number(CURVE_WIDTH * to / areas.size()))
                    .append(' ')
                    .append(y);
        }
        return path.append('L')
                .append(number(CURVE_WIDTH))
                .append(' ')
                .append(number(CURVE_HEIGHT))
                .append('Z')
                .toString();
    }

    private static List<Tick> ticks(JobFiles.JobFile file) {
        double height = file.checked().heightMm();
        double step = Math.pow(10, Math.floor(Math.log10(Math.max(height, 1e-3))));
        step = height / step < 2 ? step / 5 : height / step < 5 ? step / 2 : step;
        List<Tick> ticks = new ArrayList<>();
        for (double mm = step; mm < height * 0.97; mm += step) {
            ticks.add(new Tick(CURVE_WIDTH * mm / height, String.format(Locale.ROOT, step < 1 ? "%.1f" : "%.0f", mm)));
        }
        return ticks;
    }

    /** From the front, without marks; null where the outline is not known. */
    static View thumb(JobFiles.JobFile file) {
        Outline outline = file.checked().outline();
        return outline == null
                ? null
                : view(
                        "",
                        outline.front(),
                        Math.max(outline.front().widthMm(), outline.front().heightMm()),
                        new FileVerdict(List.of()),
                        f -> new double[2]);
    }

    private static List<View> views(JobFiles.JobFile file, FileVerdict verdict) {
        Outline outline = file.checked().outline();
        if (outline == null) {
            return List.of();
        }
        double longest = Math.max(
                outline.top().widthMm(),
                Math.max(outline.top().heightMm(), outline.front().heightMm()));
        int layers = file.checked().layers();
        return List.of(
                view("From the film", outline.top(), longest, verdict, f -> new double[] {
                    f.xMm() / outline.top().widthMm(),
                    1 - f.yMm() / outline.top().heightMm()
                }),
                view("From the front, the plate above", outline.front(), longest, verdict, f ->
                        new double[] {f.xMm() / outline.front().widthMm(), (f.layer() - 0.5) / layers}),
                view("From the right, the plate above", outline.side(), longest, verdict, f ->
                        new double[] {f.yMm() / outline.side().widthMm(), (f.layer() - 0.5) / layers}));
    }

    /** Where a finding lies, as shares of a view from its top left. */
    private interface Place {
        double[] of(FileFinding finding);
    }

    private static View view(String name, Silhouette s, double longest, FileVerdict verdict, Place place) {
        double width = LONGEST * s.widthMm() / longest;
        double height = Math.max(LONGEST * s.heightMm() / longest, 2);
        List<Mark> marks = verdict.findings().stream()
                .map(j -> {
                    double[] at = place.of(j.finding());
                    return new Mark(j.n(), kind(j), width * at[0], height * at[1]);
                })
                .toList();
        StringBuilder path = new StringBuilder();
        s.runs().forEach(r -> path.append('M')
                .append(r.from())
                .append(' ')
                .append(r.row())
                .append('H')
                .append(r.to())
                .append("v1H")
                .append(r.from())
                .append('Z'));
        return new View(name, width, height, s.across(), s.high(), path.toString(), marks);
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }
}
