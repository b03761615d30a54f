package keel.core.screen;

import static org.assertj.core.api.Assertions.assertThat;

import boofcv.alg.filter.blur.BlurImageOps;
import boofcv.struct.image.GrayU8;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A photograph of twelve megapixels with twenty spots: how long it takes, beside blurring the same photograph in the
 * same run, and whether a heap of 384 MB is enough from the file to the spots.
 */
@Tag("bench")
class ScreenBench {

    private static final int WIDE = 4000;
    private static final String HEAP = "-Xmx384m";
    private static final TestPicture WHITE = TestPicture.of(TestPattern.WHITE, 5760, 3240);

    @Test
    void aPhotographOfTwelveMegapixels(@TempDir Path folder) throws Exception {
        List<double[]> spots = new ArrayList<>();
        Random random = new Random(2);
        for (int i = 0; i < 20; i++) {
            spots.add(new double[] {
                16 + 112 * random.nextDouble(), 16 + 49 * random.nextDouble(), 1 + 2 * random.nextDouble(), 0
            });
        }
        GreyPhoto photo = Photographed.of(WHITE, 144, 81, spots, 18, -14, 3, 8, 0.15, 1, WIDE);
        GrayU8 image = new GrayU8(photo.width(), photo.height());
        System.arraycopy(photo.grey(), 0, image.data, 0, photo.grey().length);
        double blur = seconds(() -> BlurImageOps.gaussian(image, null, -1, 3, null));
        double inspection = seconds(() -> ScreenInspection.of(photo, WHITE, 144, 81));
        System.out.printf(
                "inspection of %d × %d: %.2f s, %.1f times as long as blurring it (%.3f s)%n",
                photo.width(), photo.height(), inspection, inspection / blur, blur);
        Path file = folder.resolve("photo.jpg");
        BufferedImage picture = new BufferedImage(photo.width(), photo.height(), BufferedImage.TYPE_BYTE_GRAY);
        System.arraycopy(
                photo.grey(),
                0,
                ((DataBufferByte) picture.getRaster().getDataBuffer()).getData(),
                0,
                photo.grey().length);
        ImageIO.write(picture, "jpg", file.toFile());
        long started = System.nanoTime();
        Process alone = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        HEAP,
                        "-cp",
                        System.getProperty("java.class.path"),
                        ScreenBench.class.getName(),
                        file.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(alone.getInputStream().readAllBytes());
        assertThat(alone.waitFor()).as(said).isZero();
        System.out.printf(
                "alone with %s, from the JPEG to the spots: %s (%.1f s with the machine's own start)%n",
                HEAP, said.strip(), (System.nanoTime() - started) / 1e9);
    }

    private static double seconds(Runnable what) {
        what.run();
        long from = System.nanoTime();
        what.run();
        what.run();
        return (System.nanoTime() - from) / 2e9;
    }

    /** The photograph in a machine of its own, read as a page reads it: colours, then greys. */
    public static void main(String[] args) throws Exception {
        BufferedImage read = ImageIO.read(new File(args[0]));
        BufferedImage colours = new BufferedImage(read.getWidth(), read.getHeight(), BufferedImage.TYPE_3BYTE_BGR);
        colours.createGraphics().drawImage(read, 0, 0, null);
        byte[] grey = new byte[colours.getWidth() * colours.getHeight()];
        int[] row = new int[colours.getWidth()];
        for (int y = 0; y < colours.getHeight(); y++) {
            colours.getRGB(0, y, row.length, 1, row, 0, row.length);
            for (int x = 0; x < row.length; x++) {
                grey[y * row.length + x] =
                        (byte) ((row[x] >> 16 & 255) * 0.3 + (row[x] >> 8 & 255) * 0.59 + (row[x] & 255) * 0.11);
            }
        }
        ScreenInspection seen =
                ScreenInspection.of(new GreyPhoto(colours.getWidth(), colours.getHeight(), grey), WHITE, 144, 81);
        System.out.println(
                Files.size(Path.of(args[0])) / 1000 + " kB, " + seen.spots().size() + " spots, "
                        + Runtime.getRuntime().totalMemory() / 1_000_000 + " MB of heap taken");
    }
}
