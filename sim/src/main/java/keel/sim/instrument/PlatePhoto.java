package keel.sim.instrument;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Collection;
import java.util.Set;
import javax.imageio.ImageIO;
import keel.sim.chance.Chance;

/**
 * A stand-in for the photograph that somebody takes of a plate after a failure: parts in rows on bare metal, some
 * missing or torn where it failed. Drawn, not photographed; for the demo only.
 */
public final class PlatePhoto {

    private static final int WIDTH = 960;
    private static final int HEIGHT = 720;
    private static final int COLUMNS = 6;
    private static final int ROWS = 4;
    /** A power of two. */
    private static final int NOISE = 4096;

    private static final Set<String> GONE =
            Set.of("part-missing", "region-bare", "bare-plate", "model-torn-off", "nothing-cured");

    private final Chance chance;
    private final Graphics2D g;

    private PlatePhoto(Chance chance, Graphics2D g) {
        this.chance = chance;
        this.g = g;
    }

    /**
     * @param zones where it failed, {@code A1} front left to {@code F4}; everywhere if empty
     * @return a JPEG
     */
    public static byte[] of(Collection<String> symptoms, Collection<String> zones, Chance chance) {
        BufferedImage photo = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = photo.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        new PlatePhoto(chance, g).draw(symptoms, zones);
        g.dispose();
        grain(photo, chance.stream("grain"));
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(photo, "jpg", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void draw(Collection<String> symptoms, Collection<String> zones) {
        g.setPaint(new GradientPaint(0, 0, new Color(0x3c4245), WIDTH, HEIGHT, new Color(0x202527)));
        g.fillRect(0, 0, WIDTH, HEIGHT);
        g.rotate(chance.normal(0, 0.02), WIDTH / 2.0, HEIGHT / 2.0);
        g.setPaint(new GradientPaint(90, 80, new Color(0xb9bdbb), 860, 640, new Color(0x8b908f)));
        g.fill(new RoundRectangle2D.Double(80, 70, 800, 580, 18, 18));
        g.setColor(new Color(0x747a79));
        g.setStroke(new BasicStroke(1));
        for (int line = 0; line < 120; line++) {
            double y = 74 + chance.between(0, 572);
            double x = 86 + chance.between(0, 600);
            g.draw(new Path2D.Double(new java.awt.geom.Line2D.Double(x, y, x + chance.between(20, 180), y)));
        }
        boolean gone = symptoms.stream().anyMatch(GONE::contains);
        Color resin = chance.happens(0.5) ? new Color(0x6f7a80) : new Color(0x3e6f8f);
        for (int column = 0; column < COLUMNS; column++) {
            for (int row = 0; row < ROWS; row++) {
                String zone = String.valueOf((char) ('A' + column)) + (ROWS - row);
                boolean failed = zones.isEmpty() ? chance.happens(0.5) : zones.contains(zone);
                part(140 + column * 122, 115 + row * 138, failed, gone, resin);
            }
        }
    }

    private void part(double x, double y, boolean failed, boolean gone, Color resin) {
        if (failed && gone) {
            g.setColor(new Color(resin.getRed(), resin.getGreen(), resin.getBlue(), 90));
            g.fill(new RoundRectangle2D.Double(x + 8, y + 10, 60, 74, 14, 14));
            return;
        }
        g.setColor(new Color(0, 0, 0, 70));
        g.fill(new RoundRectangle2D.Double(x + 6, y + 8, 76, 92, 12, 12));
        g.setPaint(new GradientPaint((float) x, (float) y, resin.brighter(), (float) x + 76, (float) y + 92, resin));
        Path2D shape = new Path2D.Double();
        shape.moveTo(x, y + 8);
        shape.lineTo(x + 76, y);
        shape.lineTo(x + 72, y + 92);
        if (failed) {
            for (int tooth = 5; tooth > 0; tooth--) {
                shape.lineTo(x + tooth * 13, y + 60 + chance.between(-24, 24));
            }
        }
        shape.lineTo(x + 4, y + (failed ? 52 : 88));
        shape.closePath();
        g.fill(shape);
        g.setColor(new Color(255, 255, 255, 60));
        g.draw(shape);
    }

    /** Noise from a table that each row goes through from another place and by another step. */
    private static void grain(BufferedImage photo, Chance chance) {
        int[] table = new int[NOISE];
        for (int i = 0; i < NOISE; i++) {
            table[i] = (int) Math.round(chance.normal(0, 5));
        }
        int[] pixels = ((DataBufferInt) photo.getRaster().getDataBuffer()).getData();
        for (int y = 0; y < HEIGHT; y++) {
            int at = chance.below(NOISE);
            int step = 2 * chance.below(NOISE / 2) + 1;
            for (int x = 0; x < WIDTH; x++) {
                pixels[y * WIDTH + x] = brighter(pixels[y * WIDTH + x], table[(at + x * step) & (NOISE - 1)]);
            }
        }
    }

    private static int brighter(int rgb, int by) {
        int out = 0;
        for (int shift = 16; shift >= 0; shift -= 8) {
            out |= Math.max(0, Math.min(255, (rgb >> shift & 0xff) + by)) << shift;
        }
        return out;
    }
}
