package keel.sim.instrument;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import javax.imageio.ImageIO;
import keel.core.screen.TestPicture;
import keel.sim.chance.Chance;
import keel.sim.world.Machine;
import keel.sim.world.Screen;
import org.hipparchus.util.FastMath;

/**
 * Photographs a lit screen through a sheet of white paper, held by hand: perspective, the lens's fall-off, the paper's
 * grain, noise. The screen shows a test picture at its own pixels, corner marks included.
 */
public final class Camera {

    private static final int WIDTH = 2200;
    private static final double PAPER_BLUR_MM = 0.35;
    /** Of the blur, beyond which no spot shows: less than a millionth of its depth. */
    private static final double SPREAD = 8;

    private final Machine machine;
    private final TestPicture picture;
    private final double scale;
    private final int height;
    private final double[] toScreen;
    private final long grain;
    private final List<Screen.Spot> spots;

    private Camera(Machine machine, TestPicture picture, Chance chance) {
        this.machine = machine;
        this.picture = picture;
        this.scale = WIDTH / (machine.site().widthMm() * 1.16);
        this.height = (int) (machine.site().depthMm() * 1.3 * scale);
        double turn = FastMath.toRadians(chance.normal(0, 1.2));
        this.toScreen = new double[] {
            FastMath.cos(turn),
            FastMath.sin(turn),
            chance.normal(0, 4e-5),
            chance.normal(0, 4e-5),
            chance.normal(0, 1.5),
            chance.normal(0, 1.5)
        };
        this.spots = machine.screen().spots();
        this.grain = chance.stream("paper").below(1_000_000);
    }

    /** @return a PNG; null where the machine has no screen */
    public static byte[] photograph(Machine machine, TestPicture picture, Chance chance) {
        if (machine.screen() == null) {
            return null;
        }
        Camera camera = new Camera(machine, picture, chance);
        BufferedImage photo = new BufferedImage(WIDTH, camera.height, BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < camera.height; y++) {
            for (int x = 0; x < WIDTH; x++) {
                double value = camera.seen(x, y) + chance.normal(0, 2.5);
                int grey = (int) FastMath.max(0, FastMath.min(255, FastMath.round(value)));
                photo.getRaster().setSample(x, y, 0, grey);
            }
        }
        return png(photo);
    }

    private double seen(int px, int py) {
        double fromX = (px - WIDTH / 2.0) / WIDTH;
        double fromY = (py - height / 2.0) / WIDTH;
        double fallOff = 1 - 0.55 * (fromX * fromX + fromY * fromY);
        double u = (px - WIDTH / 2.0) / scale;
        double v = (height / 2.0 - py) / scale;
        double depth = 1 + toScreen[2] * u * 10 + toScreen[3] * v * 10;
        double x = (toScreen[0] * u - toScreen[1] * v) / depth
                + toScreen[4]
                + machine.site().widthMm() / 2;
        double y = (toScreen[1] * u + toScreen[0] * v) / depth
                + toScreen[5]
                + machine.site().depthMm() / 2;
        double paper = 0.97 + 0.05 * grain(x * 1.3, y * 1.3);
        return 10 + 215 * lit(x, y) * fallOff * paper;
    }

    /** Light at a place of the screen, 0 to 1. */
    private double lit(double x, double y) {
        double w = machine.site().widthMm();
        double d = machine.site().depthMm();
        if (x < 0 || y < 0 || x > w || y > d) {
            return 0.02;
        }
        int cell = machine.cells().at(x, y);
        double shown = 0.03
                + 0.97
                        * throughPaper(
                                x / w * picture.pixelsX(),
                                (1 - y / d) * picture.pixelsY(),
                                PAPER_BLUR_MM * picture.pixelsX() / w);
        double light = shown * machine.light().power(cell);
        if (machine.screen().blocked(cell)) {
            light *= 0.08;
        }
        return spots(x, y, light);
    }

    /** What is shown, spread by the paper: the mean of nine places around, pixels from the top left. */
    private double throughPaper(double px, double py, double blurPx) {
        double sum = 0;
        for (int i = 0; i < 9; i++) {
            int x = (int) FastMath.max(0, FastMath.min(picture.pixelsX() - 1, px + (i % 3 - 1) * blurPx));
            int y = (int) FastMath.max(0, FastMath.min(picture.pixelsY() - 1, py + (i / 3 - 1) * blurPx));
            sum += picture.grey(x, y);
        }
        return sum / (9 * 255);
    }

    private double spots(double x, double y, double light) {
        double value = light;
        for (Screen.Spot spot : spots) {
            double dx = FastMath.abs(x - machine.cells().xMm(spot.cell()));
            double dy = FastMath.abs(y - machine.cells().yMm(spot.cell()));
            double edge = spot.sizeMm() / 2;
            double reach = edge + SPREAD * PAPER_BLUR_MM;
            if (dx > reach || dy > reach) {
                continue;
            }
            double r = FastMath.hypot(dx, dy);
            double inside = 0.5 - 0.5 * FastMath.tanh((r - edge) / PAPER_BLUR_MM);
            value = spot.lit() ? FastMath.max(value, inside * 0.9) : value * (1 - 0.92 * inside);
        }
        return value;
    }

    /** Smooth noise between 0 and 1: a lattice of hashed values, interpolated. */
    private double grain(double x, double y) {
        int ix = (int) FastMath.floor(x);
        int iy = (int) FastMath.floor(y);
        double fx = x - ix;
        double fy = y - iy;
        double low = lattice(ix, iy) * (1 - fx) + lattice(ix + 1, iy) * fx;
        double high = lattice(ix, iy + 1) * (1 - fx) + lattice(ix + 1, iy + 1) * fx;
        return low * (1 - fy) + high * fy;
    }

    private double lattice(int x, int y) {
        long h = (x * 73_856_093L) ^ (y * 19_349_663L) ^ (grain * 83_492_791L);
        h = (h ^ (h >>> 33)) * 0xff51afd7ed558ccdL;
        return ((h ^ (h >>> 33)) >>> 40) / (double) (1 << 24);
    }

    private static byte[] png(BufferedImage photo) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(photo, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
