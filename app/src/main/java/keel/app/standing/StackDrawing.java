package keel.app.standing;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.standing.Concern;
import keel.core.standing.Hold;
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
    static final double VAT_HEIGHT = 46;
    private static final double FEET = 6;

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

        static Shape of(String style, SvgPath path) {
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
                m.standing().state(), width, height, frame, new StackShapes(m, frame).all(), marks(m, frame), words(m));
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
}
