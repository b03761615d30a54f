package keel.app.base;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;

/**
 * Pictures of layers that somebody sent: one PNG, or a ZIP of a PNG for each. What a file is, is read from its bytes; a
 * picture's size is read before it is decoded, and of many layers only some are taken, evenly.
 */
public final class LayerZip {

    private static final int MOST_ENTRIES = 20_000;
    private static final long MOST_PIXELS = 100_000_000L;
    private static final int MOST_ENTRY_BYTES = 40_000_000;
    private static final long MOST_UNPACKED = 1_000_000_000L;

    private LayerZip() {}

    /**
     * Names in a ZIP are in whatever encoding its maker used; only those marked as UTF-8 are sure to be it. Read byte
     * by byte none is refused.
     */
    private static ZipInputStream open(byte[] bytes) {
        return new ZipInputStream(new ByteArrayInputStream(bytes), StandardCharsets.ISO_8859_1);
    }

    /** Whether it is a ZIP, rather than a picture. */
    public static boolean is(byte[] bytes) {
        return bytes.length > 4 && bytes[0] == 'P' && bytes[1] == 'K';
    }

    /**
     * Hands over the layers in the order in which they stand in the ZIP, or the one picture that was sent.
     *
     * @param most so many at most
     * @throws Refused at {@code file}, with a sentence, if it is nothing of the kind
     */
    public static void read(byte[] bytes, int most, Consumer<BufferedImage> layers) throws IOException {
        if (is(bytes)) {
            zip(bytes, most, layers);
        } else if (Pictures.type(bytes) == Pictures.Type.PNG) {
            layers.accept(picture(bytes, "The picture"));
        } else {
            throw new Refused(
                    "file",
                    bytes.length == 0
                            ? "No file was chosen."
                            : "That is no PNG and no ZIP of PNGs, whatever its name says.");
        }
    }

    private static void zip(byte[] bytes, int most, Consumer<BufferedImage> layers) throws IOException {
        List<String> names = names(bytes);
        if (names.isEmpty()) {
            throw new Refused("file", "There is no PNG in that ZIP.");
        }
        int read = Math.min(most, names.size());
        int next = 0;
        int width = 0;
        int height = 0;
        int index = 0;
        try (ZipInputStream in = open(bytes)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null && next < read; entry = in.getNextEntry()) {
                if (layer(entry) && index++ == (int) ((next + 0.5) * names.size() / read)) {
                    BufferedImage image = picture(limited(in, entry.getName()), entry.getName());
                    if (next > 0 && (image.getWidth() != width || image.getHeight() != height)) {
                        throw new Refused("file", shown(entry.getName()) + " is not as large as the layers before it.");
                    }
                    width = image.getWidth();
                    height = image.getHeight();
                    layers.accept(image);
                    next++;
                }
            }
        } catch (ZipException | EOFException e) {
            throw damaged();
        }
    }

    /** Of the layers in it, read through once so that a ZIP that unpacks to too much is stopped. */
    private static List<String> names(byte[] bytes) throws IOException {
        List<String> names = new ArrayList<>();
        long unpacked = 0;
        byte[] buffer = new byte[1 << 16];
        try (ZipInputStream in = open(bytes)) {
            int entries = 0;
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                if (++entries > MOST_ENTRIES) {
                    throw new Refused("file", "That ZIP holds more than " + MOST_ENTRIES + " files.");
                }
                if (layer(entry)) {
                    names.add(entry.getName());
                }
                for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                    unpacked += n;
                    if (unpacked > MOST_UNPACKED) {
                        throw new Refused("file", "That ZIP unpacks to more than a gigabyte.");
                    }
                }
            }
        } catch (ZipException | EOFException | IllegalArgumentException e) {
            throw damaged();
        }
        return names;
    }

    private static boolean layer(ZipEntry entry) {
        return !entry.isDirectory() && entry.getName().toLowerCase(Locale.ROOT).endsWith(".png");
    }

    private static byte[] limited(InputStream in, String name) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] buffer = new byte[1 << 16];
        for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
            out.write(buffer, 0, n);
            if (out.size() > MOST_ENTRY_BYTES) {
                throw new Refused("file", shown(name) + " is larger than 40 MB.");
            }
        }
        return out.toByteArray();
    }

    private static BufferedImage picture(byte[] bytes, String name) {
        if (Pictures.type(bytes) != Pictures.Type.PNG) {
            throw new Refused("file", shown(name) + " is no PNG, whatever its name says.");
        }
        try {
            return Pictures.read(bytes, shown(name), MOST_PIXELS, Long.MAX_VALUE);
        } catch (Pictures.Unreadable e) {
            throw new Refused("file", e.getMessage());
        }
    }

    /** How bright a pixel is, 0 to 255; what is transparent is dark. */
    public static int grey(BufferedImage image, int x, int y) {
        if (image.getType() == BufferedImage.TYPE_BYTE_GRAY) {
            return image.getRaster().getSample(x, y, 0);
        }
        int argb = image.getRGB(x, y);
        int brightest = Math.max(argb >> 16 & 255, Math.max(argb >> 8 & 255, argb & 255));
        return brightest * (argb >>> 24) / 255;
    }

    private static Refused damaged() {
        return new Refused("file", "That ZIP is damaged and cannot be read.");
    }

    private static String shown(String raw) {
        String name = utf8(raw);
        return name.length() > 60 ? "…" + name.substring(name.length() - 60) : name;
    }

    /** Most makers write UTF-8 without saying so. */
    private static String utf8(String raw) {
        try {
            ByteBuffer bytes = StandardCharsets.ISO_8859_1.newEncoder().encode(CharBuffer.wrap(raw));
            return StandardCharsets.UTF_8.newDecoder().decode(bytes).toString();
        } catch (CharacterCodingException e) {
            return raw;
        }
    }
}
