package keel.sim.instrument;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.hipparchus.util.FastMath;

/**
 * Sliced files of things that are easy to describe, in our own form: a picture for each layer and a {@code sheet.json}.
 * A stand-in for a slicer.
 */
public final class SlicedSample {

    private static final int WHITE = 255;

    private SlicedSample() {}

    /** Whether a point is full: mm from the left, the front and the plate. */
    public interface Thing {
        boolean in(double x, double y, double z);
    }

    /** The pictures and what they show: mm of a plate, mm a pixel, mm a layer. */
    public record Sheet(double widthMm, double depthMm, double pixelMm, double layerMm, int layers) {

        int across() {
            return (int) FastMath.round(widthMm / pixelMm);
        }

        int deep() {
            return (int) FastMath.round(depthMm / pixelMm);
        }
    }

    /** @return a ZIP */
    public static byte[] of(Sheet sheet, Thing thing) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("sheet.json"));
            zip.write(String.format(
                            Locale.ROOT,
                            "{\"layerMm\": %s, \"widthMm\": %s, \"depthMm\": %s, \"layers\": %d, \"pixelsX\": %d, "
                                    + "\"pixelsY\": %d}%n",
                            sheet.layerMm(),
                            sheet.widthMm(),
                            sheet.depthMm(),
                            sheet.layers(),
                            sheet.across(),
                            sheet.deep())
                    .getBytes(StandardCharsets.UTF_8));
            byte[] before = {};
            byte[] png = {};
            for (int k = 0; k < sheet.layers(); k++) {
                byte[] grey = greys(sheet, thing, (k + 0.5) * sheet.layerMm());
                png = Arrays.equals(grey, before) ? png : png(sheet, grey);
                before = grey;
                zip.putNextEntry(new ZipEntry(String.format(Locale.ROOT, "layers/%05d.png", k + 1)));
                zip.write(png);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static byte[] greys(Sheet sheet, Thing thing, double z) {
        int across = sheet.across();
        double mm = sheet.pixelMm();
        byte[] grey = new byte[across * sheet.deep()];
        for (int row = 0; row < sheet.deep(); row++) {
            double y = sheet.depthMm() - (row + 0.5) * mm;
            for (int col = 0; col < across; col++) {
                if (thing.in((col + 0.5) * mm, y, z)) {
                    grey[row * across + col] = (byte) WHITE;
                }
            }
        }
        return grey;
    }

    private static byte[] png(Sheet sheet, byte[] grey) throws IOException {
        BufferedImage image = new BufferedImage(sheet.across(), sheet.deep(), BufferedImage.TYPE_BYTE_GRAY);
        image.getRaster().setDataElements(0, 0, sheet.across(), sheet.deep(), grey);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(image, "png", png);
        return png.toByteArray();
    }

    /** Without the care for very large and very small numbers, which takes ten times as long. */
    private static double far(double dx, double dy) {
        return FastMath.sqrt(dx * dx + dy * dy);
    }

    /** From the nearest multiple. */
    private static double nearest(double at, double pitch) {
        return at - pitch * FastMath.rint(at / pitch);
    }

    /** The thing, which is looked for only where it can be. */
    private static Thing within(double cx, double cy, double wide, double deep, Thing thing) {
        return (x, y, z) -> box(x, y, cx, cy, wide, deep) && thing.in(x, y, z);
    }

    private static boolean box(double x, double y, double cx, double cy, double wide, double deep) {
        return FastMath.abs(x - cx) <= wide / 2 && FastMath.abs(y - cy) <= deep / 2;
    }

    /** Half ellipsoids on three stems each, on a raft: nothing is wrong with them. */
    public static Thing domes(double cx, double cy, int columns, int rows) {
        double pitch = 22;
        return within(cx, cy, columns * pitch, rows * pitch, (x, y, z) -> {
            if (z < 0.8) {
                return box(x, y, cx, cy, columns * pitch, rows * pitch);
            }
            double u = (x - cx) / pitch + columns / 2.0;
            double v = (y - cy) / pitch + rows / 2.0;
            if (u < 0 || v < 0 || u >= columns || v >= rows) {
                return false;
            }
            double dx = (u - FastMath.floor(u) - 0.5) * pitch;
            double dy = (v - FastMath.floor(v) - 0.5) * pitch;
            double r = far(dx, dy * 1.25);
            boolean stem = z < 7 && (far(dx, dy) < 1.4 || far(FastMath.abs(dx) - 3.4, dy) < 1.2);
            double up = (z - 5) / 9;
            return stem || up >= 0 && up <= 1 && r <= 8.5 * FastMath.sqrt(1 - (1 - up) * (1 - up) * 0.96);
        });
    }

    /** A block with a room in it that nothing drains, and a wide face that begins over its stems. */
    public static Thing shutBlock(double cx, double cy) {
        return within(cx, cy, 66, 34, (x, y, z) -> {
            if (z < 0.8) {
                return box(x, y, cx, cy, 66, 34);
            }
            if (z < 5) {
                double dx = FastMath.abs(nearest(x - cx, 8));
                double dy = FastMath.abs(nearest(y - cy, 8));
                return box(x, y, cx, cy, 64, 32) && far(dx, dy) < 1.1;
            }
            boolean block = box(x, y, cx, cy, 64, 32) && z < 27;
            boolean room = box(x, y, cx - 8, cy, 36, 20) && z > 10 && z < 22;
            boolean lug = far(x - cx - 22, z - 16) < 4;
            return block && !room && !lug;
        });
    }

    /** A block on stems, wide from its first layer on. */
    public static Thing flatBlock(double cx, double cy, double tallMm) {
        return within(cx, cy, 66, 34, (x, y, z) -> {
            if (z < 0.8) {
                return box(x, y, cx, cy, 66, 34);
            }
            double dx = FastMath.abs(nearest(x - cx, 8));
            double dy = FastMath.abs(nearest(y - cy, 8));
            boolean stem = far(dx, dy) < 1.1;
            return box(x, y, cx, cy, 64, 32) && z <= tallMm && (z >= 5 || stem);
        });
    }

    /** A body on stems with a leg whose tip begins in mid-air at a height. */
    public static Thing legged(double cx, double cy, double tipMm, double tallMm) {
        return within(cx, cy, 44, 24, (x, y, z) -> {
            if (z < 0.8) {
                return box(x, y, cx, cy, 44, 24);
            }
            double axis = (z - tallMm / 2) / (tallMm / 2);
            double girth = 9 * FastMath.sqrt(FastMath.max(0, 1 - axis * axis));
            boolean body = far(x - cx, (y - cy) * 1.1) <= girth || z < 6 && far(x - cx, y - cy) < 3;
            double along = (z - tipMm) / 9;
            boolean leg = along >= 0 && along <= 1 && far(x - (cx + 20 - along * 14), y - cy) < 1.5;
            return body && z <= tallMm || leg;
        });
    }

    /** A mug that opens towards the film and has no hole: it sucks at each layer from a height on. */
    public static Thing mug(double cx, double cy, double fromMm, double tallMm) {
        return within(cx, cy, 66, 48, (x, y, z) -> {
            double r = far(x - cx, y - cy);
            if (z < 0.8) {
                return r < 24;
            }
            boolean wall = r < 20 && (z < fromMm || r > 17.5);
            boolean handle = FastMath.abs(y - cy) < 2.5
                    && x > cx
                    && FastMath.abs(far(x - cx - 19, (z - tallMm * 0.55) * 0.8) - 9) < 2.2;
            return z <= tallMm && (wall || handle && r >= 17.5);
        });
    }
}
