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
import javax.imageio.ImageIO;
import keel.app.pictures.Pictures;
import keel.app.problems.PhotoLimits;
import keel.app.problems.Refused;
import net.coobird.thumbnailator.Thumbnails;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Keeps pictures in files outside the web root, named by the hash of their bytes.
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
        try {
            Pictures.Size size = Pictures.size(bytes, "The photo", PhotoLimits.MOST_PIXELS);
            return new Kept(hash(bytes), Pictures.type(bytes) == Pictures.Type.JPEG ? "image/jpeg" : "image/png", size.width(), size.height());
        } catch (Pictures.Unreadable e) {
            throw e.tooLarge() ? new Refused("file", e.getMessage()) : notAPicture();
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
