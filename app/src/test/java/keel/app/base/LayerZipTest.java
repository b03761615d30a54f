package keel.app.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LayerZipTest {

    private static byte[] zip(String charset, String... names) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out, Charset.forName(charset))) {
            for (String name : names) {
                zip.putNextEntry(new ZipEntry(name));
                ImageIO.write(new BufferedImage(8, 6, BufferedImage.TYPE_BYTE_GRAY), "png", zip);
            }
        }
        return out.toByteArray();
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "IBM437", "windows-1252", "ISO-8859-1"})
    void namesInAnyEncodingAreEveryday(String charset) throws IOException {
        List<BufferedImage> read = new ArrayList<>();
        LayerZip.read(zip(charset, "Flügel/é1.png", "Flügel/é2.png"), 10, read::add);
        assertThat(read).hasSize(2);
    }

    @Test
    void aLayerOfAnotherSizeIsNamedAsItsMakerWroteIt() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 1; i <= 2; i++) {
                zip.putNextEntry(new ZipEntry("Flügel" + i + ".png"));
                ImageIO.write(new BufferedImage(8 * i, 6, BufferedImage.TYPE_BYTE_GRAY), "png", zip);
            }
        }
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> LayerZip.read(out.toByteArray(), 10, image -> {}))
                .withMessage("Flügel2.png is not as large as the layers before it.");
    }

    @Test
    void oneThatWasCutOffIsSaidToBeDamaged() throws IOException {
        byte[] whole = zip("UTF-8", "1.png", "2.png");
        for (int length = 5; length < whole.length; length += 7) {
            byte[] cut = Arrays.copyOf(whole, length);
            try {
                LayerZip.read(cut, 10, image -> {});
            } catch (Refused e) {
                assertThat(e.findings()).hasSize(1);
            }
        }
    }
}
