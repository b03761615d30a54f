package keel.app.screen;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;
import keel.core.screen.TestPicture;

/** Writes test pictures as PNG, eight bits of grey a pixel. */
final class TestPictures {

    private TestPictures() {}

    static byte[] png(TestPicture picture) {
        BufferedImage image = new BufferedImage(picture.pixelsX(), picture.pixelsY(), BufferedImage.TYPE_BYTE_GRAY);
        byte[] grey = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        for (int y = 0; y < picture.pixelsY(); y++) {
            for (int x = 0; x < picture.pixelsX(); x++) {
                grey[y * picture.pixelsX() + x] = (byte) picture.grey(x, y);
            }
        }
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(image, "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
