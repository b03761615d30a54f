package keel.app.failures;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import keel.app.standing.StackDrawing;
import keel.app.standing.StackDrawing.Box;
import keel.app.standing.StackDrawing.Frame;
import keel.core.knowledge.Cause.CausePart;

/**
 * A machine's own drawing, its parts lit by how much of what was seen they explain.
 *
 * @param lights parts of the machine, from the top down
 * @param outside what lies outside the machine: settings, job, room, washing
 * @param unexplained share that nothing known explains
 * @param words the same as a sentence
 */
public record LitStack(
        StackDrawing drawing, List<Light> lights, List<CasePage.Place> outside, double unexplained, String words) {

    private static final double WORTH_LIGHTING = 0.02;
    private static final double LINE = 25;
    private static final double DIMMEST = 0.15;

    /**
     * A part that is lit.
     *
     * @param d its outline as a path
     * @param opacity of the light, 0 to 1
     * @param x where the line to its words begins, px
     * @param from where it begins, down from the top, px
     * @param y of its words beside the drawing, px
     */
    public record Light(CausePart part, double share, String d, double opacity, double x, double from, double y) {}

    public static LitStack of(StackDrawing drawing, List<CasePage.Place> places, double unexplained) {
        List<CasePage.Place> shown =
                places.stream().filter(p -> p.share() >= WORTH_LIGHTING).toList();
        List<CasePage.Place> inside = shown.stream()
                .filter(p -> box(p.part(), drawing.frame()) != null)
                .sorted(Comparator.comparingDouble(
                        p -> box(p.part(), drawing.frame()).middleY()))
                .toList();
        List<Light> lights = new ArrayList<>();
        double y = 0;
        for (CasePage.Place p : inside) {
            Box box = box(p.part(), drawing.frame());
            double left = (inside.size() - lights.size() - 1) * LINE;
            y = Math.min(Math.max(y + (lights.isEmpty() ? 12 : LINE), box.middleY()), drawing.height() - 6 - left);
            lights.add(new Light(
                    p.part(),
                    p.share(),
                    p.part() == CausePart.VAT ? trough(box) : outline(box),
                    DIMMEST + (1 - DIMMEST) * p.share(),
                    box.right() - 2,
                    box.middleY(),
                    y));
        }
        return new LitStack(
                drawing, lights, shown.stream().filter(p -> !inside.contains(p)).toList(), unexplained, words(shown));
    }

    private static String outline(Box b) {
        return String.format(Locale.ROOT, "M%.1f %.1fH%.1fV%.1fH%.1fZ", b.x(), b.y(), b.right(), b.bottom(), b.x());
    }

    /** Walls and rim of a vessel, open above. */
    private static String trough(Box b) {
        double wall = 5;
        return String.format(
                Locale.ROOT,
                "M%.1f %.1fv%.1fh%.1fv%.1fh%.1fv%.1fh%.1fv%.1fZ",
                b.x() - wall / 2,
                b.y(),
                b.h(),
                b.w() + wall,
                -b.h(),
                -wall,
                b.h() - wall,
                wall - b.w(),
                wall - b.h());
    }

    private static Box box(CausePart part, Frame f) {
        return switch (part) {
            case Z -> f.column();
            case PLATE -> f.plate();
            case RESIN ->
                new Box(
                        f.vat().x(),
                        f.vat().y() + f.vat().h() / 2,
                        f.vat().w(),
                        f.vat().h() / 2);
            case VAT -> f.vat();
            case FILM -> f.film();
            case SCREEN -> f.screen();
            case LIGHT -> f.body();
            case STANCE -> new Box(f.body().x(), f.body().bottom(), f.body().w(), 6);
            case SETTINGS, JOB, ROOM, AFTER -> null;
        };
    }

    private static String words(List<CasePage.Place> shown) {
        StringBuilder words = new StringBuilder("What explains what was seen:");
        shown.stream()
                .sorted(Comparator.comparingDouble(CasePage.Place::share).reversed())
                .forEach(p -> words.append(' ')
                        .append(p.part().words().toLowerCase(Locale.ROOT))
                        .append(' ')
                        .append(Math.round(100 * p.share()))
                        .append(" %,"));
        words.setLength(words.length() - 1);
        return words.append('.').toString();
    }
}
