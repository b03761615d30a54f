package keel.app.standing;

/** An SVG path in the making, to a tenth of a px. */
final class SvgPath {

    private final StringBuilder d = new StringBuilder();

    SvgPath move(double x, double y) {
        return at('M', x, y);
    }

    SvgPath line(double x, double y) {
        return at('L', x, y);
    }

    SvgPath horizontal(double x) {
        d.append('H').append(tenths(x));
        return this;
    }

    SvgPath vertical(double y) {
        d.append('V').append(tenths(y));
        return this;
    }

    SvgPath close() {
        d.append('z');
        return this;
    }

    SvgPath text(String relative) {
        d.append(relative);
        return this;
    }

    SvgPath box(StackDrawing.Box b) {
        return move(b.x(), b.y())
                .horizontal(b.right())
                .vertical(b.bottom())
                .horizontal(b.x())
                .close();
    }

    SvgPath tilted(StackDrawing.Box b, double degrees) {
        double rise = Math.tan(Math.toRadians(degrees)) * b.w() / 2;
        return move(b.x(), b.y() - rise)
                .line(b.right(), b.y() + rise)
                .line(b.right(), b.bottom() + rise)
                .line(b.x(), b.bottom() - rise)
                .close();
    }

    private SvgPath at(char command, double x, double y) {
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
