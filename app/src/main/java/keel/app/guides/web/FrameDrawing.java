package keel.app.guides.web;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.IntStream;
import keel.core.bolts.BoltFrame;
import keel.core.bolts.Tightening;

/**
 * The film frame from above with its bolts, as a drawing: those done in this pass, the next one, the rest.
 *
 * @param width of the drawing, px
 * @param round whether the frame is a ring
 * @param radius of a bolt, px: smaller where many sit close
 * @param pass number of the pass, from 1; 0 when all are done
 * @param words what to do next, in words
 */
public record FrameDrawing(
        int width,
        int height,
        boolean round,
        double radius,
        List<Dot> dots,
        int pass,
        int passes,
        int percent,
        int doneInPass,
        int inPass,
        Integer next,
        String words) {

    private static final int WIDTH = 560;
    private static final int ROUND_WIDTH = 480;
    private static final int MARGIN = 44;
    private static final double LARGEST_BOLT = 15;

    /** A bolt: its centre in px, and whether it is done, next or still to come. */
    public record Dot(int n, int x, int y, String state) {}

    /** The bolts with the next one last, so that no neighbour covers it. */
    public List<Dot> inDrawingOrder() {
        return dots.stream()
                .sorted(Comparator.comparing((Dot d) -> d.state().equals("next")))
                .toList();
    }

    /** @param done bolts turned so far over all passes; negative draws the frame without any pass */
    public static FrameDrawing of(Tightening tightening, int done) {
        int left = done;
        for (int p = 0; p < tightening.passes().size(); p++) {
            Tightening.Pass pass = tightening.passes().get(p);
            if (left < pass.order().size()) {
                return drawing(tightening, p, left);
            }
            left -= pass.order().size();
        }
        return drawing(
                tightening, tightening.passes().size() - 1, tightening.frame().count());
    }

    private static FrameDrawing drawing(Tightening tightening, int passAt, int doneInPass) {
        Tightening.Pass pass = tightening.passes().get(passAt);
        List<Integer> done = pass.order().subList(0, doneInPass);
        Integer next = doneInPass < pass.order().size() ? pass.order().get(doneInPass) : null;
        boolean finished = next == null;
        String words = finished
                ? "All passes are done."
                : String.format(
                        Locale.ROOT,
                        "Bolt %d, to %d %% of finger tight.%s",
                        next,
                        pass.percent(),
                        passAt == tightening.passes().size() - 1 ? " Last round, neighbour by neighbour." : "");
        return draw(
                tightening.frame(),
                n -> done.contains(n) ? "done" : n.equals(next) ? "next" : "todo",
                finished ? 0 : passAt + 1,
                tightening.passes().size(),
                pass.percent(),
                doneInPass,
                pass.order().size(),
                next,
                words);
    }

    /** The frame with some bolts marked: {@code corners} the four corner bolts, else all alike. */
    static FrameDrawing plain(BoltFrame frame, boolean corners) {
        List<Integer> first = frame.star().subList(0, 4);
        return draw(
                frame,
                n -> corners && first.contains(n) ? "next" : "todo",
                0,
                0,
                0,
                0,
                0,
                null,
                corners ? "The four corner screws first." : frame.count() + " screws.");
    }

    private static FrameDrawing draw(
            BoltFrame frame,
            Function<Integer, String> state,
            int pass,
            int passes,
            int percent,
            int doneInPass,
            int inPass,
            Integer next,
            String words) {
        boolean round = frame instanceof BoltFrame.Ring;
        double half = (round ? ROUND_WIDTH : WIDTH) / 2.0 - MARGIN;
        double depth =
                frame.bolts().stream().mapToDouble(b -> Math.abs(b.y())).max().orElseThrow();
        int height = (int) Math.round(2 * (half * depth + MARGIN));
        int width = (int) Math.round(2 * (half + MARGIN));
        List<Dot> dots = IntStream.range(0, frame.count())
                .mapToObj(i -> frame.bolts().get(i))
                .map(b -> new Dot(
                        b.n(),
                        (int) Math.round(width / 2.0 + b.x() * half),
                        (int) Math.round(height / 2.0 - b.y() * half),
                        state.apply(b.n())))
                .toList();
        return new FrameDrawing(
                width,
                height,
                round,
                Math.min(LARGEST_BOLT, closest(dots) * 0.42),
                dots,
                pass,
                passes,
                percent,
                doneInPass,
                inPass,
                next,
                words);
    }

    /** Distance between the two bolts that are closest, px. Neighbours by number are neighbours on the frame. */
    private static double closest(List<Dot> dots) {
        return IntStream.range(0, dots.size())
                .mapToDouble(i -> {
                    Dot a = dots.get(i);
                    Dot b = dots.get((i + 1) % dots.size());
                    return Math.hypot(a.x - b.x, a.y - b.y);
                })
                .min()
                .orElseThrow();
    }
}
