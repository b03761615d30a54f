package keel.app.screen;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;
import keel.core.screen.GreyPhoto;
import keel.core.screen.LayerSet;
import keel.core.screen.TestPicture;

/** Writes pictures as PNG, eight bits of grey a pixel. */
public final class TestPictures {

    private TestPictures() {}

    public static byte[] png(TestPicture picture) {
        return png(picture.pixelsX(), picture.pixelsY(), picture::grey);
    }

    public static byte[] png(GreyPhoto photo) {
        return png(photo.width(), photo.height(), (x, y) -> photo.grey()[y * photo.width() + x]);
    }

    public static byte[] png(int pixelsX, int pixelsY, LayerSet.Picture picture) {
        BufferedImage image = new BufferedImage(pixelsX, pixelsY, BufferedImage.TYPE_BYTE_GRAY);
        byte[] grey = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        for (int y = 0; y < pixelsY; y++) {
            for (int x = 0; x < pixelsX; x++) {
                grey[y * pixelsX + x] = (byte) picture.grey(x, y);
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
