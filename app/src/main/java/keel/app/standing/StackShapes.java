package keel.app.standing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keel.app.standing.StackDrawing.Box;
import keel.app.standing.StackDrawing.Frame;
import keel.app.standing.StackDrawing.Shape;
import keel.core.standing.HoldCode;
import keel.core.standing.PartUse;

/** What is drawn of a machine in cross-section, from behind to the front. */
final class StackShapes {

    private static final double TILT_DEGREES = 2.5;
    private static final double USUAL_FILL_ML = 300;

    private final MachineNow m;
    private final Frame f;
    private final List<Shape> shapes = new ArrayList<>();

    StackShapes(MachineNow machine, Frame frame) {
        this.m = machine;
        this.f = frame;
    }

    List<Shape> all() {
        cover();
        print();
        resin().ifPresent(box -> draw("resin", new SvgPath().box(box)));
        boolean tilted = held(HoldCode.NOT_LEVELLED);
        draw("solid", tilted ? new SvgPath().tilted(f.plate(), TILT_DEGREES) : new SvgPath().box(f.plate()));
        vat();
        underTheFilm();
        if (held(HoldCode.WET_UNDER_VAT)) {
            drops();
        }
        feet();
        return shapes;
    }

    private void draw(String style, SvgPath path) {
        shapes.add(Shape.of(style, path));
    }

    private void cover() {
        Box cover = f.cover();
        draw(
                "cover",
                new SvgPath()
                        .move(cover.x(), cover.bottom())
                        .vertical(cover.y() + 9)
                        .text("q0 -9 9 -9")
                        .horizontal(cover.right() - 9)
                        .text("q9 0 9 9")
                        .vertical(cover.bottom()));
        draw("line", new SvgPath().box(f.column()));
        draw(
                "arm",
                new SvgPath()
                        .move(f.column().middleX(), f.plate().y() - 9)
                        .horizontal(f.plate().middleX())
                        .vertical(f.plate().y()));
    }

    private void print() {
        if (m.run() != null) {
            draw("print", growing());
        } else if (held(HoldCode.PLATE_NOT_CLEAR)) {
            draw("print", leftOver());
        }
    }

    private void vat() {
        Box vat = f.vat();
        draw(
                "wall",
                new SvgPath()
                        .move(vat.x() + 1.5, vat.y())
                        .vertical(vat.bottom())
                        .move(vat.right() - 1.5, vat.y())
                        .vertical(vat.bottom()));
        draw("box", new SvgPath().box(f.film()));
        draw("used", new SvgPath().box(f.film().share(used(m.liningUse()))));
    }

    /** What lies under the film, drawn as what it is. */
    private void underTheFilm() {
        if (f.screen() != null) {
            draw("box", new SvgPath().box(f.screen()));
            SvgPath worn = new SvgPath().box(f.screen().share(used(m.screenUse())));
            shapes.add(new Shape("hatched", worn.toString(), "url(#hatch)"));
        } else {
            Box film = f.film();
            draw("line", new SvgPath().move(film.x() + 6, film.bottom() + 3.5).horizontal(film.right() - 6));
        }
        draw("body", new SvgPath().box(f.body()));
        switch (m.kind()) {
            case MASK -> rowOfLamps();
            case PROJECTOR -> lens();
            case LASER_TANK -> laser();
        }
    }

    private void rowOfLamps() {
        Box body = f.body();
        SvgPath rays = new SvgPath();
        SvgPath lamps = new SvgPath();
        int count = (int) Math.max(4, Math.round(body.w() / 17));
        for (int i = 0; i < count; i++) {
            double x = body.x() + body.w() * (i + 0.5) / count;
            rays.move(x, body.y() + 7).vertical(body.bottom() - 16);
            lamps.move(x - 4, body.bottom() - 11).text("a4 4 0 0 1 8 0z");
        }
        draw("rays", rays);
        draw("lamp", lamps);
    }

    private void lens() {
        Box body = f.body();
        double lens = body.y() + 34;
        draw(
                "rays",
                new SvgPath()
                        .move(body.middleX() - 6, lens)
                        .line(f.film().x() + 8, body.y() + 4)
                        .move(body.middleX() + 6, lens)
                        .line(f.film().right() - 8, body.y() + 4)
                        .move(body.middleX(), lens)
                        .vertical(body.y() + 4));
        draw("line", new SvgPath().box(new Box(body.middleX() - 22, body.y() + 46, 44, 18)));
        draw("lamp", new SvgPath().move(body.middleX() - 9, body.y() + 46).text("v-6a9 5 0 0 1 18 0v6z"));
    }

    private void laser() {
        Box body = f.body();
        Box vat = f.vat();
        draw(
                "line",
                new SvgPath()
                        .move(vat.x() + 4, vat.y() + 9)
                        .text("h9v7h-9z")
                        .move(vat.x() + 8.5, vat.y() + 9)
                        .vertical(vat.y() - 14)
                        .horizontal(f.cover().x()));
        draw("line", new SvgPath().box(new Box(body.x() + 7, body.bottom() - 24, 20, 13)));
        draw(
                "beam",
                new SvgPath()
                        .move(body.x() + 27, body.bottom() - 17)
                        .horizontal(body.middleX() + 6)
                        .line(body.middleX() + 20, body.y() + 2));
        draw("wall", new SvgPath().move(body.middleX() - 1, body.bottom() - 9).text("l14 -16"));
    }

    private void drops() {
        draw(
                "drop",
                new SvgPath()
                        .move(f.film().x() + 20, f.film().bottom())
                        .text("c-6 8 -5 12 0 12s6 -4 0 -12zm18 0c-5 6 -4 9 0 9s5 -3 0 -9z"));
    }

    private void feet() {
        Box body = f.body();
        draw(
                "feet",
                new SvgPath()
                        .move(body.x() + 8, body.bottom())
                        .text("h11v6h-11z")
                        .move(body.right() - 19, body.bottom())
                        .text("h11v6h-11z"));
    }

    /** Two pieces that reach down to the film while it prints. */
    private SvgPath growing() {
        double x = f.plate().x();
        double w = f.plate().w();
        double top = f.plate().bottom();
        double film = f.film().y();
        return new SvgPath()
                .move(x + w * 0.14, top)
                .horizontal(x + w * 0.52)
                .line(x + w * 0.46, film)
                .horizontal(x + w * 0.22)
                .close()
                .move(x + w * 0.66, top)
                .horizontal(x + w * 0.86)
                .line(x + w * 0.82, film)
                .horizontal(x + w * 0.7)
                .close();
    }

    /** What is left of a print, torn off below. */
    private SvgPath leftOver() {
        double x = f.plate().x();
        double w = f.plate().w();
        double top = f.plate().bottom();
        double low = Math.min(top + 26, f.film().y() - 8);
        return new SvgPath()
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

    private Optional<Box> resin() {
        if (m.vat() == null || m.resin() == null || m.resinMl() <= 0) {
            return Optional.empty();
        }
        double whole = m.fillLineMl() == null ? USUAL_FILL_ML : m.fillLineMl();
        double depth = Math.max(3, Math.min(1, m.resinMl() / whole) * (StackDrawing.VAT_HEIGHT - 10));
        Box film = f.film();
        return Optional.of(new Box(film.x() + 3, film.y() - depth, film.w() - 6, depth));
    }

    private static double used(PartUse part) {
        return part == null ? 0 : part.used();
    }

    private boolean held(HoldCode code) {
        return m.holds().stream().anyMatch(h -> h.code() == code);
    }
}
