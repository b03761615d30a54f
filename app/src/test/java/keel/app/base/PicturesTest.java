package keel.app.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
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

    @ParameterizedTest
    @ValueSource(strings = {"", "GIF89a", "BM", "%PDF-1.7", "PNG"})
    void othersAreNotRead(String bytes) {
        assertThat(Pictures.type(bytes.getBytes())).isEqualTo(Pictures.Type.OTHER);
        assertThatExceptionOfType(Pictures.Unreadable.class)
                .isThrownBy(() -> Pictures.size(bytes.getBytes(), "It", 100));
    }
}
