package keel.app.base;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.util.Iterator;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.stream.ImageInputStream;

/**
 * Reads PNG and JPEG, whatever a name says. How much a picture unpacks to is known before it is decoded; large ones are
 * decoded one after another.
 */
public final class Pictures {

    private static final long MOST_UNPACKED = 240_000_000;
    private static final long LARGE = 30_000_000;
    private static final long PATIENCE_S = 20;
    private static final Semaphore ONE_LARGE = new Semaphore(1, true);

    private Pictures() {}

    /** What the bytes are. */
    public enum Type {
        PNG,
        JPEG,
        OTHER
    }

    /** Why a picture was not read. */
    public static final class Unreadable extends Exception {

        private final boolean tooLarge;

        private Unreadable(String message, boolean tooLarge) {
            super(message);
            this.tooLarge = tooLarge;
        }

        /** Whether it has too many pixels, rather than being damaged or of a kind that is not read. */
        public boolean tooLarge() {
            return tooLarge;
        }
    }

    public static Type type(byte[] b) {
        if (b.length > 8 && (b[0] & 0xff) == 0x89 && b[1] == 'P' && b[2] == 'N' && b[3] == 'G') {
            return Type.PNG;
        }
        return b.length > 3 && (b[0] & 0xff) == 0xff && (b[1] & 0xff) == 0xd8 && (b[2] & 0xff) == 0xff
                ? Type.JPEG
                : Type.OTHER;
    }

    /** In pixels. */
    public record Size(int width, int height) {}

    /**
     * How large a picture says it is, without decoding it.
     *
     * @param name how it is called in a message
     * @throws Unreadable with a sentence, also if it has more pixels than {@code mostPixels}
     */
    public static Size size(byte[] bytes, String name, long mostPixels) throws Unreadable {
        return with(bytes, name, mostPixels, (reader, size) -> size);
    }

    /**
     * Decodes a picture; of one with several frames the first.
     *
     * @param mostPixels more than these are not decoded
     * @param thinFrom from so many pixels on, only every second each way is read
     * @throws Unreadable with a sentence
     */
    public static BufferedImage read(byte[] bytes, String name, long mostPixels, long thinFrom) throws Unreadable {
        return with(bytes, name, mostPixels, (reader, size) -> {
            ImageReadParam param = reader.getDefaultReadParam();
            if ((long) size.width() * size.height() > thinFrom) {
                param.setSourceSubsampling(2, 2, 0, 0);
            }
            return decoded(reader, param, unpacked(reader, size));
        });
    }

    /**
     * Decodes a picture no finer than needed: so many pixels are left out, evenly, that its shorter side keeps at least
     * {@code leastPx} where it has them.
     *
     * @throws Unreadable with a sentence
     */
    public static BufferedImage reduced(byte[] bytes, String name, long mostPixels, int leastPx) throws Unreadable {
        return with(bytes, name, mostPixels, (reader, size) -> {
            ImageReadParam param = reader.getDefaultReadParam();
            int every = Math.max(1, Math.min(size.width(), size.height()) / leastPx);
            param.setSourceSubsampling(every, every, 0, 0);
            return decoded(reader, param, unpacked(reader, size));
        });
    }

    /** Bytes of the whole picture once unpacked. */
    private static long unpacked(ImageReader reader, Size size) throws IOException {
        ImageTypeSpecifier raw = reader.getRawImageType(0);
        int bits = raw == null ? 32 : Math.max(8, raw.getColorModel().getPixelSize());
        return (long) size.width() * size.height() * bits / 8;
    }

    private static BufferedImage decoded(ImageReader reader, ImageReadParam param, long unpacked) throws IOException {
        if (unpacked <= LARGE) {
            return reader.read(0, param);
        }
        try {
            if (!ONE_LARGE.tryAcquire(PATIENCE_S, TimeUnit.SECONDS)) {
                throw new Busy("Other large pictures are being read. Send it again in a minute; nothing was written.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException();
        }
        try {
            return reader.read(0, param);
        } finally {
            ONE_LARGE.release();
        }
    }

    private interface Use<T> {
        T of(ImageReader reader, Size size) throws IOException;
    }

    private static <T> T with(byte[] bytes, String name, long mostPixels, Use<T> use) throws Unreadable {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (type(bytes) == Type.OTHER || !readers.hasNext()) {
                throw damaged(name);
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                Size size = new Size(reader.getWidth(0), reader.getHeight(0));
                if ((long) size.width() * size.height() > mostPixels) {
                    throw new Unreadable(
                            "%s has %d × %d pixels; %d million are the most."
                                    .formatted(name, size.width(), size.height(), mostPixels / 1_000_000),
                            true);
                }
                long unpacked = unpacked(reader, size);
                if (unpacked > MOST_UNPACKED) {
                    throw new Unreadable(
                            "%s unpacks to %d MB; %d MB are the most. Save it with 8 bits a colour."
                                    .formatted(name, unpacked / 1_000_000, MOST_UNPACKED / 1_000_000),
                            true);
                }
                return use.of(reader, size);
            } finally {
                reader.dispose();
            }
        } catch (Busy e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            // the decoders of the platform answer damage with exceptions of every kind
            throw damaged(name);
        }
    }

    private static Unreadable damaged(String name) {
        return new Unreadable(name + " is damaged, or of a kind that cannot be read.", false);
    }
}
