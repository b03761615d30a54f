package keel.app.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PicturesTest {

    private static byte[] picture(String type) throws IOException {
        BufferedImage image = new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB);
        image.setRGB(30, 20, 0xffffff);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, type, out);
        return out.toByteArray();
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpg"})
    void whatItIsAndHowLargeIsReadFromItsBytes(String type) throws Exception {
        byte[] bytes = picture(type);
        assertThat(Pictures.type(bytes)).isEqualTo(type.equals("png") ? Pictures.Type.PNG : Pictures.Type.JPEG);
        assertThat(Pictures.size(bytes, "It", 2400)).isEqualTo(new Pictures.Size(60, 40));
        assertThat(Pictures.read(bytes, "It", 2400, 2400).getWidth()).isEqualTo(60);
        assertThat(Pictures.read(bytes, "It", 2400, 2399).getWidth())
                .as("every second pixel")
                .isEqualTo(30);
    }

    @Test
    void tooManyPixelsAreToldFromDamage() throws Exception {
        byte[] bytes = picture("png");
        assertThatExceptionOfType(Pictures.Unreadable.class)
                .isThrownBy(() -> Pictures.size(bytes, "The photo", 2399))
                .withMessageStartingWith("The photo has 60 × 40 pixels")
                .matches(Pictures.Unreadable::tooLarge);
        assertThatExceptionOfType(Pictures.Unreadable.class)
                .isThrownBy(() -> Pictures.read(Arrays.copyOf(bytes, 40), "It", 2400, 2400))
                .matches(e -> !e.tooLarge());
    }

    /** Half a megabyte of PNG that unpacks to 356 MB. */
    @Test
    void whatItUnpacksToIsKnownBeforeItIsDecoded() {
        byte[] bytes = emptyPng(7_700, 16, 2);
        assertThatExceptionOfType(Pictures.Unreadable.class)
                .isThrownBy(() -> Pictures.read(bytes, "The photo", 60_000_000, Long.MAX_VALUE))
                .withMessageStartingWith("The photo unpacks to 355 MB")
                .matches(Pictures.Unreadable::tooLarge);
    }

    @Test
    void aSmallerOneIsReadNoFinerThanNeeded() throws Exception {
        byte[] bytes = picture("png");
        assertThat(Pictures.reduced(bytes, "It", 2400, 10).getWidth()).isEqualTo(15);
        assertThat(Pictures.reduced(bytes, "It", 2400, 400).getWidth()).isEqualTo(60);
    }

    /** The head of a square PNG and nothing of its pixels (ISO/IEC 15948: signature, IHDR, IDAT, each with its CRC). */
    private static byte[] emptyPng(int px, int bits, int colourType) {
        ByteBuffer head = ByteBuffer.allocate(45);
        head.putLong(0x89504e470d0a1a0aL).putInt(13).put("IHDR".getBytes(StandardCharsets.US_ASCII));
        head.putInt(px).putInt(px).put((byte) bits).put((byte) colourType).put(new byte[3]);
        CRC32 crc = new CRC32();
        crc.update(head.array(), 12, 17);
        head.putInt((int) crc.getValue());
        crc.reset();
        crc.update("IDAT".getBytes(StandardCharsets.US_ASCII));
        return head.putInt(0)
                .put("IDAT".getBytes(StandardCharsets.US_ASCII))
                .putInt((int) crc.getValue())
                .array();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "GIF89a", "BM", "%PDF-1.7", "PNG"})
    void othersAreNotRead(String bytes) {
        assertThat(Pictures.type(bytes.getBytes())).isEqualTo(Pictures.Type.OTHER);
        assertThatExceptionOfType(Pictures.Unreadable.class)
                .isThrownBy(() -> Pictures.size(bytes.getBytes(), "It", 100));
    }
}
