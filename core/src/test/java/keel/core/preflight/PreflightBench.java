package keel.core.preflight;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What it costs to read a layer of 3840 × 2400 pixels, beside decoding its picture alone. */
@Tag("bench")
class PreflightBench {

    private static final int W = 3840;
    private static final int D = 2400;
    private static final int LAYERS = 30;

    /** A thick ring among supports all over the plate: something is shut in in every layer. */
    private static byte[] png(int layer) throws IOException {
        BufferedImage image = new BufferedImage(W, D, BufferedImage.TYPE_BYTE_GRAY);
        byte[] grey = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        for (int y = 0; y < D; y++) {
            for (int x = 0; x < W; x++) {
                double r = Math.hypot(x - 1900.0 - layer, y - 1200.0);
                boolean lit = r < 900 && r > 300 + layer || x % 400 < 60 && y % 400 < 60;
                grey[y * W + x] = (byte) (lit ? 255 : 0);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    @Test
    void aLayerBesideDecodingIt() throws IOException {
        List<byte[]> pngs = new ArrayList<>();
        for (int k = 0; k < LAYERS; k++) {
            pngs.add(png(k));
        }
        for (int round = 0; round < 3; round++) {
            long start = System.nanoTime();
            List<LayerPixels> layers = new ArrayList<>();
            for (byte[] png : pngs) {
                BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
                layers.add(new LayerPixels(
                        W, D, ((DataBufferByte) image.getRaster().getDataBuffer()).getData()));
            }
            double decoding = (System.nanoTime() - start) / 1e6 / LAYERS;
            start = System.nanoTime();
            Preflight preflight = new Preflight(new SheetSize(0.05, 134.4, 84), Limits.NONE);
            layers.forEach(preflight::layer);
            assertThat(preflight.report().layers()).isEqualTo(LAYERS);
            double reading = (System.nanoTime() - start) / 1e6 / LAYERS;
            System.out.printf(
                    "a layer: decoded in %.1f ms, read in %.1f ms, both %.1f times decoding%n",
                    decoding, reading, (decoding + reading) / decoding);
        }
    }
}
