package keel.app.floor;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import keel.app.upkeep.MachineNow;
import keel.app.upkeep.PartView;
import keel.core.standing.Concern;
import keel.core.standing.Hold;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineState;

/**
 * A machine in cross-section: cover, arm, plate, vessel with resin, film, screen, light, feet. One geometry for the small
 * stack on the shelf and the large one on the machine's page; all machines of a fleet come out to one scale.
 *
 * @param width    of the drawing, px
 * @param height   of the drawing, px; the bench is at its lower edge
 * @param part     outline of the print that hangs on the plate, as an SVG path; null if none
 * @param used     share of its life that film and screen have done, as px of their boxes
 * @param marks    states shown at the part they concern
 * @param wet      whether resin is where it must not be
 * @param words    the same as a sentence
 */
public record StackDrawing(String code, MachineKind kind, MachineState state, double width, double height, Box cover, Box column, double armY,
                           Box plate, double plateTilt, String part, Box vat, Box resin, Box film, double filmUsed, Box screen, double screenUsed,
                           Box body, List<Double> lights, List<Mark> marks, boolean wet, String words) {

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
    }

    /** The sign of a state, centred on the part it concerns. */
    public record Mark(MachineState state, double x, double y) {}

    /** Ages that fill a bar: film, tank, screen, light. */
    public interface Full {
        double of(String part);
    }

    static StackDrawing of(MachineNow m, Full full, Instant now) {
        double plateWidth = m.plateWidthMm() * MM;
        double vatWidth = plateWidth + 8;
        double width = SIDE + vatWidth + 5 + 6 + 8;
        double bodyHeight = m.kind() == MachineKind.MASK ? 54 : 72;
        double height = 132 + bodyHeight + m.plateHeightMm() * MM * 0.95;
        Box body = new Box(2, height - FEET - bodyHeight, width - 4, bodyHeight);
        double screenTop = body.y - (m.kind() == MachineKind.MASK ? BAR + 2 : 5);
        Box film = new Box(SIDE, screenTop - BAR - 2, vatWidth, BAR);
        Box screen = m.kind() == MachineKind.MASK ? new Box(SIDE, screenTop, vatWidth, BAR) : null;
        Box vat = new Box(SIDE, film.y - VAT_HEIGHT, vatWidth, VAT_HEIGHT);
        Box plate = plate(m, film, vat, plateWidth, now);
        Box column = new Box(SIDE + vatWidth + 5, 14, 6, body.y - 14);
        return new StackDrawing(m.code(), m.kind(), m.standing().state(), width, height, new Box(2, 2, width - 4, body.y + 6), column, plate.y - 9, plate,
                held(m, "not-levelled") ? TILT_DEGREES : 0, part(m, plate, film), vat, resin(m, film), film, used(m.film(), full, lining(m), film), screen,
                used(m.screen(), full, "screen", film), body, lights(body), marks(m, column, plate, vat, film, screen, body), held(m, "wet-under-vat"), words(m, full));
    }

    private static Box plate(MachineNow m, Box film, Box vat, double plateWidth, Instant now) {
        double x = SIDE + 4;
        double resting = 20 + (vat.y - 20) * 0.5;
        if (m.run() == null) {
            return new Box(x, resting, plateWidth, PLATE_HEIGHT);
        }
        double highest = 34;
        double lowest = film.y - PLATE_HEIGHT - 4;
        return new Box(x, lowest - (lowest - highest) * 0.85 * progress(m.run(), now), plateWidth, PLATE_HEIGHT);
    }

    private static double progress(MachineNow.OpenRun run, Instant now) {
        if (run.expectedEnd() == null) {
            return 0.35;
        }
        double whole = Duration.between(run.startedAt(), run.expectedEnd()).toMillis();
        return Math.max(0.03, Math.min(1, Duration.between(run.startedAt(), now).toMillis() / whole));
    }

    /** Two pieces that hang down: to the film while it prints, short and torn off where a failed print may still hang. */
    private static String part(MachineNow m, Box plate, Box film) {
        boolean left = held(m, "plate-not-clear");
        if (m.run() == null && !left) {
            return null;
        }
        double bottom = m.run() != null ? film.y : Math.min(plate.bottom() + 26, film.y - 8);
        double x = plate.x;
        double w = plate.w;
        String tail = m.run() != null ? String.format(Locale.ROOT, "V%.1fH%.1f", bottom, x + w * 0.22)
                : String.format(Locale.ROOT, "L%.1f %.1fL%.1f %.1fL%.1f %.1fL%.1f %.1f", x + w * 0.5, bottom - 5, x + w * 0.42, bottom, x + w * 0.34, bottom - 7,
                        x + w * 0.22, bottom - 2);
        double shorter = m.run() != null ? bottom : bottom - 9;
        return String.format(Locale.ROOT, "M%.1f %.1fH%.1f%sz M%.1f %.1fH%.1fL%.1f %.1fH%.1fz", x + w * 0.14, plate.bottom(), x + w * 0.52, tail,
                x + w * 0.66, plate.bottom(), x + w * 0.86, x + w * 0.82, shorter, x + w * 0.7);
    }

    private static Box resin(MachineNow m, Box film) {
        if (m.vat() == null || m.resin() == null || m.resinMl() <= 0) {
            return null;
        }
        double whole = m.fillLineMl() == null ? 300 : m.fillLineMl();
        double depth = Math.max(3, Math.min(1, m.resinMl() / whole) * (VAT_HEIGHT - 10));
        return new Box(film.x + 3, film.y - depth, film.w - 6, depth);
    }

    private static double used(PartView part, Full full, String name, Box box) {
        if (part == null) {
            return 0;
        }
        double age = name.equals("screen") ? part.usage().uvHours() : part.usage().hours();
        return Math.max(0, Math.min(1, age / full.of(name))) * box.w;
    }

    private static List<Double> lights(Box body) {
        int count = (int) Math.max(4, Math.round(body.w / 17));
        return IntStream.range(0, count).mapToObj(i -> body.x + body.w * (i + 0.5) / count).toList();
    }

    private static List<Mark> marks(MachineNow m, Box column, Box plate, Box vat, Box film, Box screen, Box body) {
        List<Mark> marks = new ArrayList<>();
        for (Hold hold : m.holds()) {
            switch (hold.code()) {
                case PLATE_NOT_CLEAR, NOT_LEVELLED -> mark(marks, MachineState.HOLD, plate.middleX(), plate.middleY());
                case FAILURE_NOT_CLEANED, RESIN_MIXED -> mark(marks, MachineState.HOLD, vat.middleX(), vat.y + 24);
                case WET_UNDER_VAT, FILM_ENDED -> mark(marks, MachineState.HOLD, film.middleX(), film.middleY());
                case CRUNCH_NOT_INSPECTED, SCREEN_ENDED -> mark(marks, MachineState.HOLD, film.middleX(), screen == null ? film.middleY() : screen.middleY());
                case STANCE_UNCHECKED -> mark(marks, MachineState.HOLD, body.middleX(), body.bottom() - 8);
            }
        }
        for (Concern concern : m.standing().concerns()) {
            switch (concern.about()) {
                case "film", "tank" -> mark(marks, concern.level(), film.right() - 17, film.middleY());
                case "screen" -> mark(marks, concern.level(), film.right() - 17, screen == null ? film.middleY() : screen.middleY());
                case "light" -> mark(marks, concern.level(), body.middleX(), body.middleY());
                case "lubrication" -> mark(marks, concern.level(), column.middleX(), column.y + 34);
                case "abrading" -> mark(marks, concern.level(), plate.right() - 14, plate.middleY());
                default -> { }
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

    private static boolean held(MachineNow m, String code) {
        return m.holds().stream().anyMatch(h -> h.code().code().equals(code));
    }

    private static String lining(MachineNow m) {
        return m.kind() == MachineKind.LASER_TANK ? "tank" : "film";
    }

    private static String words(MachineNow m, Full full) {
        StringBuilder words = new StringBuilder(m.name()).append(", ").append(m.kind().words().toLowerCase(Locale.ROOT)).append(" machine: ")
                .append(m.standing().state().word().toLowerCase(Locale.ROOT));
        if (m.film() != null) {
            words.append(String.format(Locale.ROOT, "; %s %.0f of about %.0f h", lining(m), m.film().usage().hours(), full.of(lining(m))));
        }
        if (m.screen() != null) {
            words.append(String.format(Locale.ROOT, "; screen %.0f of about %.0f UV h", m.screen().usage().uvHours(), full.of("screen")));
        }
        if (m.resin() != null) {
            words.append(String.format(Locale.ROOT, "; %.0f ml of resin", m.resinMl()));
        }
        return words.append('.').toString();
    }
}
