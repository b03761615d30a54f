package keel.app.failures;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import keel.app.problems.PhotoLimits;
import keel.app.problems.Refused;
import net.coobird.thumbnailator.Thumbnails;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Keeps pictures in files outside the web root, named by the hash of their bytes. What a file is, is read from its bytes,
 * never from its name; its size in pixels is read before it is decoded.
 */
@Component
class PhotoStore {

    private static final int THUMBNAIL_PX = 420;

    private final Path folder;

    PhotoStore(@Value("${keel.home}") Path home) {
        this.folder = home.resolve("photos");
    }

    /** A picture that was kept. */
    record Kept(String hash, String mediaType, int width, int height) {}

    /** @throws Refused if the bytes are no picture that can be kept */
    Kept keep(byte[] bytes) {
        if (bytes.length > PhotoLimits.MOST_BYTES) {
            throw new Refused("file", PhotoLimits.TOO_LARGE);
        }
        Kept kept = look(bytes);
        Path file = file(kept.hash());
        if (!Files.exists(thumbnail(kept.hash()))) {
            write(file, bytes, kept.hash());
        }
        return kept;
    }

    Path file(String hash) {
        return folder.resolve(hash.substring(0, 2)).resolve(hash);
    }

    Path thumbnail(String hash) {
        return folder.resolve(hash.substring(0, 2)).resolve(hash + "-small.jpg");
    }

    private Kept look(byte[] bytes) {
        String type = mediaType(bytes);
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (type == null || !readers.hasNext()) {
                throw notAPicture();
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                int width = reader.getWidth(0);
                int height = reader.getHeight(0);
                if ((long) width * height > PhotoLimits.MOST_PIXELS) {
                    throw new Refused("file", "The photo has %d × %d pixels; 60 million are the most.".formatted(width, height));
                }
                return new Kept(hash(bytes), type, width, height);
            } finally {
                reader.dispose();
            }
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
            throw notAPicture();
        }
    }

    private void write(Path file, byte[] bytes, String hash) {
        try {
            BufferedImage small = Thumbnails.of(new ByteArrayInputStream(bytes)).size(THUMBNAIL_PX, THUMBNAIL_PX)
                    .imageType(BufferedImage.TYPE_INT_RGB).asBufferedImage();
            Files.createDirectories(file.getParent());
            Path written = Files.createTempFile(file.getParent(), "new", ".part");
            Files.write(written, bytes);
            move(written, file);
            Path reduced = Files.createTempFile(file.getParent(), "new", ".part");
            ImageIO.write(small, "jpg", reduced.toFile());
            move(reduced, thumbnail(hash));
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
            throw new Refused("file", "The photo is damaged and cannot be shown. Everything else is kept; try another copy.");
        }
    }

    private static void move(Path from, Path to) throws IOException {
        try {
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    private static String mediaType(byte[] b) {
        if (b.length > 3 && (b[0] & 0xff) == 0xff && (b[1] & 0xff) == 0xd8 && (b[2] & 0xff) == 0xff) {
            return "image/jpeg";
        }
        boolean png = b.length > 8 && (b[0] & 0xff) == 0x89 && b[1] == 'P' && b[2] == 'N' && b[3] == 'G';
        return png ? "image/png" : null;
    }

    private static Refused notAPicture() {
        return new Refused("file", "That is no JPEG or PNG picture, whatever its name says. Everything else is kept.");
    }

    private static String hash(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    byte[] read(Path file) {
        try {
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
