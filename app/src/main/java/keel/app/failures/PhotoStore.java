package keel.app.failures;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import javax.imageio.ImageIO;
import keel.app.base.PhotoLimits;
import keel.app.base.PictureFiles;
import keel.app.base.Pictures;
import keel.app.base.Refused;
import net.coobird.thumbnailator.Thumbnails;
import org.springframework.stereotype.Component;

/** Keeps pictures in files outside the web root, named by the hash of their bytes. */
@Component
class PhotoStore {

    private static final int THUMBNAIL_PX = 420;
    private static final String SMALL = "-small.jpg";

    private final PictureFiles files;

    PhotoStore(PictureFiles files) {
        this.files = files;
    }

    /** A picture that was kept. */
    record Kept(String hash, String mediaType, int width, int height) {}

    /** @throws Refused if the bytes are no picture that can be kept */
    Kept keep(byte[] bytes) {
        if (bytes.length > PhotoLimits.MOST_BYTES) {
            throw new Refused("file", PhotoLimits.TOO_LARGE);
        }
        Kept kept = look(bytes);
        if (!Files.exists(files.file(kept.hash(), SMALL))) {
            write(bytes, kept.hash());
        }
        return kept;
    }

    byte[] read(String hash, boolean small) {
        return files.read(hash, small ? SMALL : "");
    }

    private Kept look(byte[] bytes) {
        try {
            Pictures.Size size = Pictures.size(bytes, "The photo", PhotoLimits.MOST_PIXELS);
            return new Kept(
                    PictureFiles.hash(bytes),
                    Pictures.type(bytes) == Pictures.Type.JPEG ? "image/jpeg" : "image/png",
                    size.width(),
                    size.height());
        } catch (Pictures.Unreadable e) {
            throw e.tooLarge() ? new Refused("file", e.getMessage()) : notAPicture();
        }
    }

    private void write(byte[] bytes, String hash) {
        try (ByteArrayOutputStream small = new ByteArrayOutputStream()) {
            BufferedImage reduced = Thumbnails.of(
                            Pictures.reduced(bytes, "The photo", PhotoLimits.MOST_PIXELS, THUMBNAIL_PX))
                    .size(THUMBNAIL_PX, THUMBNAIL_PX)
                    .imageType(BufferedImage.TYPE_INT_RGB)
                    .asBufferedImage();
            ImageIO.write(reduced, "jpg", small);
            files.write(hash, "", bytes);
            files.write(hash, SMALL, small.toByteArray());
        } catch (IOException | Pictures.Unreadable e) {
            throw new Refused(
                    "file", "The photo is damaged and cannot be shown. Everything else is kept; try another copy.");
        }
    }

    private static Refused notAPicture() {
        return new Refused("file", "That is no JPEG or PNG picture, whatever its name says. Everything else is kept.");
    }
}
