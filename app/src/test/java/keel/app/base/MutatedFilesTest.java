package keel.app.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import keel.app.screen.ScreenPhotos;
import keel.core.film.Recording;
import org.junit.jupiter.api.Test;
import org.springframework.web.server.ResponseStatusException;

/**
 * Files that were bent somewhere, a bit, a byte, a length, a piece, go to every reader of files: each is read or
 * refused in words, soon. {@code -Dkeel.attack.files=25000} sends so many to each; the seed is fixed, so that what
 * breaks once breaks again.
 */
class MutatedFilesTest {

    private static final int FILES = Integer.getInteger("keel.attack.files", 400);
    private static final byte[] TELLING = {0, 1, 0x7f, (byte) 0x80, (byte) 0xff};
    private static final Duration SOON = Duration.ofSeconds(20);

    private interface Reader {
        void read(byte[] file) throws Exception;
    }

    private static byte[] picture(String type) throws IOException {
        BufferedImage image = new BufferedImage(48, 36, BufferedImage.TYPE_INT_RGB);
        image.setRGB(20, 10, 0xffffff);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, type, out);
        return out.toByteArray();
    }

    private static byte[] wav() throws IOException {
        byte[] samples = new byte[8_000];
        new Random(3).nextBytes(samples);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        AudioFormat format = new AudioFormat(8_000, 16, 2, true, false);
        AudioSystem.write(
                new AudioInputStream(new ByteArrayInputStream(samples), format, samples.length / 4),
                AudioFileFormat.Type.WAVE,
                out);
        return out.toByteArray();
    }

    private static byte[] zip() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < 4; i++) {
                zip.putNextEntry(new ZipEntry("layer" + i + ".png"));
                zip.write(picture("png"));
            }
        }
        return out.toByteArray();
    }

    /** A few changes in one file; lengths and counts stand near the beginning, so half of them go there. */
    private static byte[] bent(byte[] whole, Random random) {
        byte[] file = whole.clone();
        for (int i = random.nextInt(4); i >= 0; i--) {
            int at = random.nextInt(random.nextBoolean() ? file.length : Math.min(file.length, 64));
            switch (random.nextInt(5)) {
                case 0 -> file[at] ^= (byte) (1 << random.nextInt(8));
                case 1 -> file[at] = TELLING[random.nextInt(TELLING.length)];
                case 2 -> Arrays.fill(file, at, Math.min(file.length, at + 4), TELLING[random.nextInt(TELLING.length)]);
                case 3 -> file = Arrays.copyOf(file, Math.max(1, at));
                default -> {
                    byte[] longer = Arrays.copyOf(file, file.length + at);
                    System.arraycopy(file, 0, longer, file.length, at);
                    file = longer;
                }
            }
        }
        return file;
    }

    private static Map<Reader, byte[]> readers() throws IOException {
        Map<Reader, byte[]> readers = new LinkedHashMap<>();
        readers.put(Recording::ofWav, wav());
        readers.put(ScreenPhotos::read, picture("png"));
        readers.put(file -> Pictures.reduced(file, "It", PhotoLimits.MOST_PIXELS, 420), picture("jpg"));
        readers.put(file -> LayerZip.read(file, 60, image -> {}), zip());
        return readers;
    }

    @Test
    void eachIsReadOrRefusedInWordsSoon() throws IOException {
        Random random = new Random(20_26);
        int refused = 0;
        for (Map.Entry<Reader, byte[]> reader : readers().entrySet()) {
            for (int i = 0; i < FILES; i++) {
                byte[] file = bent(reader.getValue(), random);
                refused += assertTimeoutPreemptively(SOON, () -> refused(reader.getKey(), file)) ? 1 : 0;
            }
        }
        assertThat(refused).as("of what was bent").isBetween(FILES, 4 * FILES);
    }

    private static boolean refused(Reader reader, byte[] file) throws Exception {
        try {
            reader.read(file);
            return false;
        } catch (IllegalArgumentException | Refused | Pictures.Unreadable | ResponseStatusException e) {
            assertThat(e.getMessage()).isNotBlank();
            return true;
        }
    }
}
