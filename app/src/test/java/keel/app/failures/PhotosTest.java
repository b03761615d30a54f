package keel.app.failures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import keel.app.base.PhotoLimits;
import keel.app.base.PictureFiles;
import keel.app.base.Refused;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PhotosTest {

    @TempDir
    private Path home;

    private PhotoStore store;

    @BeforeEach
    void open() {
        store = new PhotoStore(new PictureFiles(home));
    }

    @Test
    void aPictureIsKeptByTheHashOfItsBytesWithASmallCopy() throws IOException {
        byte[] photo = picture("jpg", 1600, 900);
        PhotoStore.Kept kept = store.keep(photo);
        assertThat(kept.mediaType()).isEqualTo("image/jpeg");
        assertThat(kept.width()).isEqualTo(1600);
        assertThat(store.read(kept.hash(), false)).isEqualTo(photo);
        BufferedImage small = ImageIO.read(new ByteArrayInputStream(store.read(kept.hash(), true)));
        assertThat(small.getWidth()).isEqualTo(420);
        assertThat(small.getHeight()).isEqualTo(236);
        assertThat(store.keep(photo)).as("the same again costs nothing").isEqualTo(kept);
        assertThat(files()).hasSize(2);
    }

    @Test
    void aProgramWithThePictureNameIsRefused() {
        byte[] program = new byte[2000];
        program[0] = 'M';
        program[1] = 'Z';
        refused(program, "no JPEG or PNG");
    }

    @Test
    void aPageWithScriptIsRefused() {
        refused("<svg xmlns='http://www.w3.org/2000/svg' onload='alert(1)'/>".getBytes(), "no JPEG or PNG");
    }

    @Test
    void aTruncatedOrDamagedPictureIsRefusedAndLeavesNothingBehind() throws IOException {
        byte[] photo = picture("png", 600, 400);
        refused(Arrays.copyOf(photo, 12), "");
        byte[] headOnly = Arrays.copyOf(photo, 60);
        refused(headOnly, "");
        assertThat(files()).isEmpty();
    }

    /**
     * A PNG header may claim any size; it is believed before a byte is decoded (PNG specification, IHDR: width and
     * height at offsets 16 and 20).
     */
    @Test
    void aPictureThatClaimsToBeHugeIsRefusedBeforeItIsDecoded() throws IOException {
        byte[] bomb = picture("png", 10, 10);
        bomb[16] = 0;
        bomb[17] = 1;
        bomb[18] = (byte) 0x86;
        bomb[19] = (byte) 0xa0;
        bomb[20] = 0;
        bomb[21] = 1;
        bomb[22] = (byte) 0x86;
        bomb[23] = (byte) 0xa0;
        refused(bomb, "");
        assertThat(files()).isEmpty();
    }

    @Test
    void aFileOverTheLimitIsRefused() {
        refused(new byte[(int) PhotoLimits.MOST_BYTES + 1], "larger than 25 MB");
    }

    @Test
    void anEmptyFileIsRefused() {
        refused(new byte[0], "no JPEG or PNG");
    }

    private void refused(byte[] bytes, String words) {
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> store.keep(bytes))
                .satisfies(e -> assertThat(e.findings().get(0).field()).isEqualTo("file"))
                .withMessageContaining(words);
    }

    private Stream<Path> files() throws IOException {
        return Files.exists(home.resolve("photos"))
                ? Files.walk(home.resolve("photos")).filter(Files::isRegularFile)
                : Stream.empty();
    }

    private static byte[] picture(String format, int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        image.createGraphics().fillOval(width / 4, height / 4, width / 2, height / 2);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, format, out);
        return out.toByteArray();
    }
}
