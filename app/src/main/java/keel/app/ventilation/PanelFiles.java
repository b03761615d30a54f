package keel.app.ventilation;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import keel.core.air.WindowPanel;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;

/** A window panel as files to scale: SVG in millimetres, full size; PDF of A4 at the largest round scale that fits, with a bar to measure after. */
final class PanelFiles {

    private static final double MM = 72 / 25.4;
    private static final double MARGIN_MM = 25;
    private static final int[] SCALES = {1, 2, 5, 10, 20};
    private static final double CIRCLE = 0.5523;

    private PanelFiles() {}

    static String svg(WindowPanel p) {
        double pad = 40;
        double w = p.widthMm() + 2 * pad;
        double h = p.heightMm() + 2 * pad;
        double bx = pad + p.gapMm();
        double by = pad + p.gapMm();
        StringBuilder svg = new StringBuilder();
        svg.append(String.format(Locale.ROOT, "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%.1fmm\" height=\"%.1fmm\" viewBox=\"0 0 %.1f %.1f\" fill=\"none\" stroke=\"#000\">%n", w, h, w, h));
        svg.append(String.format(Locale.ROOT, "<rect x=\"%.1f\" y=\"%.1f\" width=\"%.1f\" height=\"%.1f\" stroke-width=\"0.4\" stroke-dasharray=\"4 3\"/>%n", pad, pad, p.widthMm(), p.heightMm()));
        svg.append(String.format(Locale.ROOT, "<rect x=\"%.1f\" y=\"%.1f\" width=\"%.1f\" height=\"%.1f\" stroke-width=\"0.8\"/>%n", bx, by, p.boardWidthMm(), p.boardHeightMm()));
        double cy = by + p.boardHeightMm() - p.holeYMm();
        svg.append(String.format(Locale.ROOT, "<circle cx=\"%.1f\" cy=\"%.1f\" r=\"%.1f\" stroke-width=\"0.8\"/><path stroke-width=\"0.3\" d=\"M%.1f %.1fh12M%.1f %.1fv12\"/>%n", bx + p.holeXMm(), cy, p.holeMm() / 2, bx + p.holeXMm() - 6,
                cy, bx + p.holeXMm(), cy - 6));
        svg.append(String.format(Locale.ROOT, "<g stroke=\"none\" fill=\"#000\" font-family=\"sans-serif\" font-size=\"9\"><text x=\"%.1f\" y=\"%.1f\">board %.0f x %.0f mm, hole %.0f mm, its middle %.0f from the left and %.0f from below</text></g>%n",
                pad, h - 14, p.boardWidthMm(), p.boardHeightMm(), p.holeMm(), p.holeXMm(), p.holeYMm()));
        return svg.append("</svg>\n").toString();
    }

    /** One to so much, so that it fits on A4 with its measures. */
    static int scale(WindowPanel p) {
        for (int s : SCALES) {
            if (p.widthMm() / s <= 210 - 2 * MARGIN_MM && p.heightMm() / s <= 170) {
                return s;
            }
        }
        return 50;
    }

    static byte[] pdf(WindowPanel p) {
        try (PDDocument document = new PDDocument(); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            int scale = scale(p);
            try (PDPageContentStream s = new PDPageContentStream(document, page)) {
                draw(p, scale, s);
                write(p, scale, s);
            }
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void draw(WindowPanel p, int scale, PDPageContentStream s) throws IOException {
        double left = MARGIN_MM;
        double bottom = 297 - 35 - p.heightMm() / scale;
        s.setLineWidth(0.5f);
        s.setLineDashPattern(new float[] {4, 3}, 0);
        rectangle(left, bottom, p.widthMm() / scale, p.heightMm() / scale, s);
        s.setLineDashPattern(new float[] {}, 0);
        s.setLineWidth(1.2f);
        rectangle(left + p.gapMm() / scale, bottom + p.gapMm() / scale, p.boardWidthMm() / scale, p.boardHeightMm() / scale, s);
        circle(left + (p.gapMm() + p.holeXMm()) / scale, bottom + (p.gapMm() + p.holeYMm()) / scale, p.holeMm() / 2 / scale, s);
        line(left, 40, left + 100, 40, s);
        line(left, 38, left, 42, s);
        line(left + 100, 38, left + 100, 42, s);
    }

    private static void write(WindowPanel p, int scale, PDPageContentStream s) throws IOException {
        text(16, MARGIN_MM, 280, "Window panel, 1 : " + scale, s);
        text(9, MARGIN_MM, 274, String.format(Locale.ROOT, "Opening %.0f x %.0f mm, dashed. Board %.0f x %.0f x %.0f mm. Hole %.0f mm, its middle %.0f mm from the left and %.0f mm from below.", p.widthMm(), p.heightMm(),
                p.boardWidthMm(), p.boardHeightMm(), p.thicknessMm(), p.holeMm(), p.holeXMm(), p.holeYMm()), s);
        double y = 297 - 45 - p.heightMm() / scale;
        List<WindowPanel.Cut> cuts = p.cuts();
        for (WindowPanel.Cut c : cuts) {
            text(9, MARGIN_MM, y, String.format(Locale.ROOT, "%d  %s, %.0f%s mm: %s", c.count(), c.what(), c.lengthMm(), c.widthMm() == null ? "" : String.format(Locale.ROOT, " x %.0f", c.widthMm()), c.note()), s);
            y -= 6;
        }
        text(8, MARGIN_MM, 33, "This bar is 100 mm where the page is printed at full size. Measure it before you cut.", s);
    }

    private static void rectangle(double x, double y, double w, double h, PDPageContentStream s) throws IOException {
        s.addRect((float) (x * MM), (float) (y * MM), (float) (w * MM), (float) (h * MM));
        s.stroke();
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

    private static void curve(double x1, double y1, double x2, double y2, double x3, double y3, PDPageContentStream s) throws IOException {
        s.curveTo((float) (x1 * MM), (float) (y1 * MM), (float) (x2 * MM), (float) (y2 * MM), (float) (x3 * MM), (float) (y3 * MM));
    }

    private static void text(float size, double x, double y, String words, PDPageContentStream s) throws IOException {
        s.beginText();
        s.setFont(new PDType1Font(size > 10 ? Standard14Fonts.FontName.HELVETICA_BOLD : Standard14Fonts.FontName.HELVETICA), size);
        s.newLineAtOffset((float) (x * MM), (float) (y * MM));
        s.showText(words);
        s.endText();
    }
}
