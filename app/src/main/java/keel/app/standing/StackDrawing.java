package keel.app.standing;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keel.core.standing.Concern;
import keel.core.standing.Hold;
import keel.core.standing.HoldCode;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineState;
import keel.core.standing.PartUse;

/**
 * A machine in cross-section: cover, arm, plate, vessel with resin, film, screen, light, feet. One geometry for the
 * small stack on the shelf and the large one on the machine's page; all machines of a fleet come out to one scale.
 *
 * @param width of the drawing, px
 * @param height of the drawing, px; the bench is at its lower edge
 * @param frame where the parts are
 * @param shapes what is drawn, from behind to the front
 * @param marks states shown at the part they concern
 * @param words the same as a sentence
 */
public record StackDrawing(
        MachineState state,
        double width,
        double height,
        Frame frame,
        List<Shape> shapes,
        List<Mark> marks,
        String words) {

    private static final double MM = 0.49;
    private static final double SIDE = 9;
    private static final double PLATE_HEIGHT = 15;
    private static final double BAR = 16;
    private static final double VAT_HEIGHT = 46;
    private static final double FEET = 6;
    private static final double TILT_DEGREES = 2.5;

    /** A box, px; y from the top. */
    public record Box(double x, double y, double w, double h) {

        public double middleX() {
            return x + w / 2;
        }

        public double middleY() {
            return y + h / 2;
        }

        public double right() {
            return x + w;
        }

        public double bottom() {
            return y + h;
        }

        /** The part of it that is as wide as a share of it. */
        Box share(double share) {
            return new Box(x, y, w * Math.max(0, Math.min(1, share)), h);
        }
    }

    /** Where the parts are; {@code screen} is null where there is none. */
    public record Frame(Box cover, Box column, Box plate, Box vat, Box film, Box screen, Box body) {}

    /** A path with its style; {@code fill} only where the style cannot say it. */
    public record Shape(String style, String d, String fill) {

        public static Shape of(String style, Path path) {
            return new Shape(style, path.toString(), null);
        }
    }

    /** The sign of a state, centred on the part it concerns. */
    public record Mark(MachineState state, double x, double y) {}

    public static StackDrawing of(MachineNow m, Instant now) {
        boolean mask = m.kind() == MachineKind.MASK;
        double vatWidth = m.plateWidthMm() * MM + 8;
        double width = SIDE + vatWidth + 5 + 6 + 8;
        double bodyHeight = mask ? 54 : 72;
        double height = 132 + bodyHeight + m.plateHeightMm() * MM * 0.95;
        Box body = new Box(2, height - FEET - bodyHeight, width - 4, bodyHeight);
        double lightTop = body.y - (mask ? BAR + 2 : 5);
        Box film = new Box(SIDE, lightTop - BAR - 2, vatWidth, BAR);
        Box vat = new Box(SIDE, film.y - VAT_HEIGHT, vatWidth, VAT_HEIGHT);
        Frame frame = new Frame(
                new Box(2, 2, width - 4, body.y + 4),
                new Box(SIDE + vatWidth + 5, 14, 6, body.y - 14),
                plate(m, film, vat, now),
                vat,
                film,
                mask ? new Box(SIDE, lightTop, vatWidth, BAR) : null,
                body);
        return new StackDrawing(
                m.standing().state(), width, height, frame, shapes(m, frame), marks(m, frame), words(m));
    }

    private static Box plate(MachineNow m, Box film, Box vat, Instant now) {
        double width = m.plateWidthMm() * MM;
        if (m.run() == null) {
            return new Box(SIDE + 4, 20 + (vat.y - 20) * 0.5, width, PLATE_HEIGHT);
        }
        double highest = 34;
        double lowest = film.y - PLATE_HEIGHT - 4;
        return new Box(SIDE + 4, lowest - (lowest - highest) * 0.85 * progress(m.run(), now), width, PLATE_HEIGHT);
    }

    private static double progress(MachineNow.OpenRun run, Instant now) {
        if (run.expectedEnd() == null) {
            return 0.35;
        }
        double whole = Duration.between(run.startedAt(), run.expectedEnd()).toMillis();
        return Math.max(0.03, Math.min(1, Duration.between(run.startedAt(), now).toMillis() / whole));
    }

    private static List<Shape> shapes(MachineNow m, Frame f) {
        List<Shape> shapes = new ArrayList<>();
        shapes.add(Shape.of(
                "cover",
                new Path()
                        .move(f.cover.x, f.cover.bottom())
                        .vertical(f.cover.y + 9)
                        .text("q0 -9 9 -9")
                        .horizontal(f.cover.right() - 9)
                        .text("q9 0 9 9")
                        .vertical(f.cover.bottom())));
        shapes.add(Shape.of("line", new Path().box(f.column)));
        shapes.add(Shape.of(
                "arm",
                new Path()
                        .move(f.column.middleX(), f.plate.y - 9)
                        .horizontal(f.plate.middleX())
                        .vertical(f.plate.y)));
        if (m.run() != null) {
            shapes.add(Shape.of("print", growing(f)));
        } else if (held(m, HoldCode.PLATE_NOT_CLEAR)) {
            shapes.add(Shape.of("print", leftOver(f)));
        }
        resin(m, f).ifPresent(box -> shapes.add(Shape.of("resin", new Path().box(box))));
        shapes.add(Shape.of(
                "solid",
                held(m, HoldCode.NOT_LEVELLED) ? new Path().tilted(f.plate, TILT_DEGREES) : new Path().box(f.plate)));
        shapes.add(Shape.of(
                "wall",
                new Path()
                        .move(f.vat.x + 1.5, f.vat.y)
                        .vertical(f.vat.bottom())
                        .move(f.vat.right() - 1.5, f.vat.y)
                        .vertical(f.vat.bottom())));
        shapes.add(Shape.of("box", new Path().box(f.film)));
        shapes.add(Shape.of("used", new Path().box(f.film.share(used(m.liningUse())))));
        light(m, f, shapes);
        if (held(m, HoldCode.WET_UNDER_VAT)) {
            shapes.add(Shape.of(
                    "drop",
                    new Path()
                            .move(f.film.x + 20, f.film.bottom())
                            .text("c-6 8 -5 12 0 12s6 -4 0 -12zm18 0c-5 6 -4 9 0 9s5 -3 0 -9z")));
        }
        shapes.add(Shape.of(
                "feet",
                new Path()
                        .move(f.body.x + 8, f.body.bottom())
                        .text("h11v6h-11z")
                        .move(f.body.right() - 19, f.body.bottom())
                        .text("h11v6h-11z")));
        return shapes;
    }

    /** What lies under the film, drawn as what it is. */
    private static void light(MachineNow m, Frame f, List<Shape> shapes) {
        Box body = f.body;
        if (f.screen != null) {
            shapes.add(Shape.of("box", new Path().box(f.screen)));
            shapes.add(new Shape(
                    "hatched",
                    new Path().box(f.screen.share(used(m.screenUse()))).toString(),
                    "url(#hatch)"));
        } else {
            shapes.add(Shape.of(
                    "line", new Path().move(f.film.x + 6, f.film.bottom() + 3.5).horizontal(f.film.right() - 6)));
        }
        shapes.add(Shape.of("body", new Path().box(body)));
        switch (m.kind()) {
            case MASK -> {
                Path rays = new Path();
                Path lamps = new Path();
                int count = (int) Math.max(4, Math.round(body.w / 17));
                for (int i = 0; i < count; i++) {
                    double x = body.x + body.w * (i + 0.5) / count;
                    rays.move(x, body.y + 7).vertical(body.bottom() - 16);
                    lamps.move(x - 4, body.bottom() - 11).text("a4 4 0 0 1 8 0z");
                }
                shapes.add(Shape.of("rays", rays));
                shapes.add(Shape.of("lamp", lamps));
            }
            case PROJECTOR -> {
                double lens = body.y + 34;
                shapes.add(Shape.of(
                        "rays",
                        new Path()
                                .move(body.middleX() - 6, lens)
                                .line(f.film.x + 8, body.y + 4)
                                .move(body.middleX() + 6, lens)
                                .line(f.film.right() - 8, body.y + 4)
                                .move(body.middleX(), lens)
                                .vertical(body.y + 4)));
                shapes.add(Shape.of("line", new Path().box(new Box(body.middleX() - 22, body.y + 46, 44, 18))));
                shapes.add(Shape.of(
                        "lamp", new Path().move(body.middleX() - 9, body.y + 46).text("v-6a9 5 0 0 1 18 0v6z")));
            }
            case LASER_TANK -> {
                shapes.add(Shape.of(
                        "line",
                        new Path()
                                .move(f.vat.x + 4, f.vat.y + 9)
                                .text("h9v7h-9z")
                                .move(f.vat.x + 8.5, f.vat.y + 9)
                                .vertical(f.vat.y - 14)
                                .horizontal(f.cover.x)));
                shapes.add(Shape.of("line", new Path().box(new Box(body.x + 7, body.bottom() - 24, 20, 13))));
                shapes.add(Shape.of(
                        "beam",
                        new Path()
                                .move(body.x + 27, body.bottom() - 17)
                                .horizontal(body.middleX() + 6)
                                .line(body.middleX() + 20, body.y + 2)));
                shapes.add(Shape.of(
                        "wall",
                        new Path().move(body.middleX() - 1, body.bottom() - 9).text("l14 -16")));
            }
        }
    }

    /** Two pieces that reach down to the film while it prints. */
    private static Path growing(Frame f) {
        double x = f.plate.x;
        double w = f.plate.w;
        double top = f.plate.bottom();
        return new Path()
                .move(x + w * 0.14, top)
                .horizontal(x + w * 0.52)
                .line(x + w * 0.46, f.film.y)
                .horizontal(x + w * 0.22)
                .close()
                .move(x + w * 0.66, top)
                .horizontal(x + w * 0.86)
                .line(x + w * 0.82, f.film.y)
                .horizontal(x + w * 0.7)
                .close();
    }

    /** What is left of a print, torn off below. */
    private static Path leftOver(Frame f) {
        double x = f.plate.x;
        double w = f.plate.w;
        double top = f.plate.bottom();
        double low = Math.min(top + 26, f.film.y - 8);
        return new Path()
                .move(x + w * 0.14, top)
                .horizontal(x + w * 0.52)
                .line(x + w * 0.5, low - 5)
                .line(x + w * 0.42, low)
                .line(x + w * 0.34, low - 7)
                .line(x + w * 0.22, low - 2)
                .close()
                .move(x + w * 0.66, top)
                .horizontal(x + w * 0.86)
                .line(x + w * 0.82, low - 9)
                .horizontal(x + w * 0.7)
                .close();
    }

    private static Optional<Box> resin(MachineNow m, Frame f) {
        if (m.vat() == null || m.resin() == null || m.resinMl() <= 0) {
            return Optional.empty();
        }
        double whole = m.fillLineMl() == null ? 300 : m.fillLineMl();
        double depth = Math.max(3, Math.min(1, m.resinMl() / whole) * (VAT_HEIGHT - 10));
        return Optional.of(new Box(f.film.x + 3, f.film.y - depth, f.film.w - 6, depth));
    }

    private static double used(PartUse part) {
        return part == null ? 0 : part.used();
    }

    private static List<Mark> marks(MachineNow m, Frame f) {
        List<Mark> marks = new ArrayList<>();
        Box lit = f.screen == null ? f.film : f.screen;
        for (Hold hold : m.holds()) {
            switch (hold.code()) {
                case PLATE_NOT_CLEAR, NOT_LEVELLED ->
                    mark(marks, MachineState.HOLD, f.plate.middleX(), f.plate.middleY());
                case FAILURE_NOT_CLEANED, RESIN_MIXED -> mark(marks, MachineState.HOLD, f.vat.middleX(), f.vat.y + 24);
                case WET_UNDER_VAT, STOP_GAP_LAPSED, FILM_ENDED ->
                    mark(marks, MachineState.HOLD, f.film.middleX(), f.film.middleY());
                case CRUNCH_NOT_INSPECTED, SCREEN_ENDED ->
                    mark(marks, MachineState.HOLD, f.film.middleX(), lit.middleY());
                case STANCE_UNCHECKED -> mark(marks, MachineState.HOLD, f.body.middleX(), f.body.bottom() - 8);
            }
        }
        for (Concern concern : m.standing().concerns()) {
            switch (concern.about()) {
                case "film", "tank" -> mark(marks, concern.level(), f.film.right() - 17, f.film.middleY());
                case "screen" -> mark(marks, concern.level(), f.film.right() - 17, lit.middleY());
                case "light" -> mark(marks, concern.level(), f.body.middleX(), f.body.middleY());
                case "lubrication" -> mark(marks, concern.level(), f.column.middleX(), f.column.y + 34);
                case "abrading" -> mark(marks, concern.level(), f.plate.right() - 14, f.plate.middleY());
                default -> {}
            }
        }
        return marks;
    }

    /** One sign a place: the first is the most urgent. */
    private static void mark(List<Mark> marks, MachineState state, double x, double y) {
        if (marks.stream().noneMatch(k -> Math.hypot(k.x - x, k.y - y) < 15)) {
            marks.add(new Mark(state, x, y));
        }
    }

    private static boolean held(MachineNow m, HoldCode code) {
        return m.holds().stream().anyMatch(h -> h.code() == code);
    }

    private static String words(MachineNow m) {
        StringBuilder words = new StringBuilder(m.name())
                .append(", ")
                .append(m.kind().words().toLowerCase(Locale.ROOT))
                .append(" machine: ")
                .append(m.standing().state().word().toLowerCase(Locale.ROOT));
        for (PartUse part : m.worn()) {
            if (part.part() != PartUse.UsedPart.LIGHT) {
                words.append("; ")
                        .append(part.part().prefix())
                        .append(String.format(
                                Locale.ROOT,
                                " %.0f of about %.0f %s",
                                part.age(),
                                part.life().full(),
                                part.life().clock().unit()));
            }
        }
        if (m.resin() != null) {
            words.append("; ").append(Math.round(m.resinMl())).append(" ml of resin");
        }
        return words.append('.').toString();
    }

    /** An SVG path in the making, to a tenth of a px. */
    private static final class Path {

        private final StringBuilder d = new StringBuilder();

        Path move(double x, double y) {
            return at('M', x, y);
        }

        Path line(double x, double y) {
            return at('L', x, y);
        }

        Path horizontal(double x) {
            d.append('H').append(tenths(x));
            return this;
        }

        Path vertical(double y) {
            d.append('V').append(tenths(y));
            return this;
        }

        Path close() {
            d.append('z');
            return this;
        }

        Path text(String relative) {
            d.append(relative);
            return this;
        }

        Path box(Box b) {
            return move(b.x, b.y)
                    .horizontal(b.right())
                    .vertical(b.bottom())
                    .horizontal(b.x)
                    .close();
        }

        Path tilted(Box b, double degrees) {
            double rise = Math.tan(Math.toRadians(degrees)) * b.w / 2;
            return move(b.x, b.y - rise)
                    .line(b.right(), b.y + rise)
                    .line(b.right(), b.bottom() + rise)
                    .line(b.x, b.bottom() - rise)
                    .close();
        }

        private Path at(char command, double x, double y) {
            d.append(command).append(tenths(x)).append(' ').append(tenths(y));
            return this;
        }

        private static double tenths(double value) {
            return Math.round(value * 10) / 10.0;
        }

        @Override
        public String toString() {
            return d.toString();
        }
    }
}
