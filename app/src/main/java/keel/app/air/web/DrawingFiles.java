package keel.app.air.web;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Locale;
import keel.app.air.web.ScaleDrawing.Shape;
import keel.core.air.WindowPanel;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;

/**
 * Pieces to cut as files to scale: SVG in millimetres, full size; PDF of A4 at the largest round scale that fits, with
 * a bar to measure after.
 */
final class DrawingFiles {

    private static final double MM = 72 / 25.4;
    private static final double MARGIN_MM = 25;
    private static final double PAD_MM = 40;
    private static final int[] SCALES = {1, 2, 5, 10, 20};
    private static final double CIRCLE = 0.5523;

    private DrawingFiles() {}

    static String svg(ScaleDrawing d) {
        double w = d.widthMm() + 2 * PAD_MM;
        double h = d.heightMm() + 2 * PAD_MM;
        StringBuilder svg = new StringBuilder();
        svg.append(format(
                "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%.1fmm\" height=\"%.1fmm\" viewBox=\"0 0 %.1f "
                        + "%.1f\" fill=\"none\" stroke=\"#000\" font-family=\"sans-serif\" font-size=\"9\">%n",
                w, h, w, h));
        d.shapes().forEach(s -> svg.append(svg(s, PAD_MM, PAD_MM + d.heightMm())));
        svg.append(format(
                "<text stroke=\"none\" fill=\"#000\" x=\"%.1f\" y=\"%.1f\">%s</text>%n", PAD_MM, h - 14, d.words()));
        return svg.append("</svg>\n").toString();
    }

    /** {@code x0} and {@code y0}: where the drawing's lower left lies; SVG counts downward. */
    private static String svg(Shape shape, double x0, double y0) {
        if (shape instanceof Shape.Rect r) {
            return format(
                    "<rect x=\"%.1f\" y=\"%.1f\" width=\"%.1f\" height=\"%.1f\" stroke-width=\"%.1f\"%s/>%n",
                    x0 + r.x(),
                    y0 - r.y() - r.h(),
                    r.w(),
                    r.h(),
                    r.dashed() ? 0.4 : 0.8,
                    r.dashed() ? " stroke-dasharray=\"4 3\"" : "");
        }
        if (shape instanceof Shape.Circle c) {
            return format(
                    "<circle cx=\"%.1f\" cy=\"%.1f\" r=\"%.1f\" stroke-width=\"0.8\"/>%n",
                    x0 + c.x(), y0 - c.y(), c.r());
        }
        if (shape instanceof Shape.DrawnLine l) {
            return format(
                    "<path stroke-width=\"0.4\" d=\"M%.1f %.1fL%.1f %.1f\"/>%n",
                    x0 + l.x1(), y0 - l.y1(), x0 + l.x2(), y0 - l.y2());
        }
        Shape.Label t = (Shape.Label) shape;
        return format(
                "<text stroke=\"none\" fill=\"#000\" x=\"%.1f\" y=\"%.1f\">%s</text>%n",
                x0 + t.x(), y0 - t.y(), t.text());
    }

    /** One to so much, so that it fits on A4 with its measures. */
    static int scale(ScaleDrawing d) {
        for (int s : SCALES) {
            if (d.widthMm() / s <= 210 - 2 * MARGIN_MM && d.heightMm() / s <= 170) {
                return s;
            }
        }
        return 50;
    }

    static byte[] pdf(ScaleDrawing d) {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            try (PDPageContentStream s = new PDPageContentStream(document, page)) {
                draw(d, scale(d), s);
                write(d, scale(d), s);
            }
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void draw(ScaleDrawing d, int scale, PDPageContentStream s) throws IOException {
        double bottom = 297 - 35 - d.heightMm() / scale;
        for (Shape shape : d.shapes()) {
            draw(shape, scale, bottom, s);
        }
        line(MARGIN_MM, 40, MARGIN_MM + 100, 40, s);
        line(MARGIN_MM, 38, MARGIN_MM, 42, s);
        line(MARGIN_MM + 100, 38, MARGIN_MM + 100, 42, s);
    }

    private static void draw(Shape shape, int scale, double bottom, PDPageContentStream s) throws IOException {
        if (shape instanceof Shape.Rect r) {
            s.setLineWidth(r.dashed() ? 0.5f : 1.2f);
            s.setLineDashPattern(r.dashed() ? new float[] {4, 3} : new float[] {}, 0);
            s.addRect(
                    (float) ((MARGIN_MM + r.x() / scale) * MM),
                    (float) ((bottom + r.y() / scale) * MM),
                    (float) (r.w() / scale * MM),
                    (float) (r.h() / scale * MM));
            s.stroke();
            s.setLineDashPattern(new float[] {}, 0);
        } else if (shape instanceof Shape.Circle c) {
            s.setLineWidth(1.2f);
            circle(MARGIN_MM + c.x() / scale, bottom + c.y() / scale, c.r() / scale, s);
        } else if (shape instanceof Shape.DrawnLine l) {
            s.setLineWidth(0.5f);
            line(
                    MARGIN_MM + l.x1() / scale,
                    bottom + l.y1() / scale,
                    MARGIN_MM + l.x2() / scale,
                    bottom + l.y2() / scale,
                    s);
        } else if (shape instanceof Shape.Label t) {
            text(7, MARGIN_MM + t.x() / scale, bottom + t.y() / scale, t.text(), s);
        }
    }

    private static void write(ScaleDrawing d, int scale, PDPageContentStream s) throws IOException {
        text(16, MARGIN_MM, 280, d.title() + ", 1 : " + scale, s);
        text(8, MARGIN_MM, 274, d.words(), s);
        double y = 297 - 45 - d.heightMm() / scale;
        for (WindowPanel.Cut c : d.cuts()) {
            text(
                    9,
                    MARGIN_MM,
                    y,
                    format(
                            "%d  %s, %.0f%s mm: %s",
                            c.count(),
                            c.what(),
                            c.lengthMm(),
                            c.widthMm() == null ? "" : format(" x %.0f", c.widthMm()),
                            c.note()),
                    s);
            y -= 6;
        }
        text(
                8,
                MARGIN_MM,
                33,
                "This bar is 100 mm where the page is printed at full size. Measure it before you cut.",
                s);
    }

    private static void line(double x1, double y1, double x2, double y2, PDPageContentStream s) throws IOException {
        s.moveTo((float) (x1 * MM), (float) (y1 * MM));
        s.lineTo((float) (x2 * MM), (float) (y2 * MM));
        s.stroke();
    }

    private static void circle(double x, double y, double r, PDPageContentStream s) throws IOException {
        double k = CIRCLE * r;
        s.moveTo((float) ((x - r) * MM), (float) (y * MM));
        curve(x - r, y + k, x - k, y + r, x, y + r, s);
        curve(x + k, y + r, x + r, y + k, x + r, y, s);
        curve(x + r, y - k, x + k, y - r, x, y - r, s);
        curve(x - k, y - r, x - r, y - k, x - r, y, s);
        s.stroke();
    }

    private static void curve(double x1, double y1, double x2, double y2, double x3, double y3, PDPageContentStream s)
            throws IOException {
        s.curveTo((float) (x1 * MM), (float) (y1 * MM), (float) (x2 * MM), (float) (y2 * MM), (float) (x3 * MM), (float)
                (y3 * MM));
    }

    private static void text(float size, double x, double y, String words, PDPageContentStream s) throws IOException {
        s.beginText();
        s.setFont(
                new PDType1Font(
                        size > 10 ? Standard14Fonts.FontName.HELVETICA_BOLD : Standard14Fonts.FontName.HELVETICA),
                size);
        s.newLineAtOffset((float) (x * MM), (float) (y * MM));
        s.showText(words);
        s.endText();
    }

    private static String format(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
