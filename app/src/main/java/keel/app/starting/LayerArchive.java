package keel.app.starting;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import keel.app.base.Refused;

/**
 * A ZIP of a picture for each layer: our own with {@code sheet.json}, or plain numbered files, in folders or not. One
 * picture at a time is unpacked.
 */
final class LayerArchive implements AutoCloseable {

    static final int MOST_LAYERS = 10_000;

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int MOST_ENTRIES = 20_000;
    private static final int MOST_ENTRY_BYTES = 40_000_000;
    private static final int MOST_SHEET_BYTES = 100_000;
    private static final int ENCRYPTED_AT = 6;
    private static final Pattern NUMBER = Pattern.compile("(\\d{1,9})(?!.*\\d)");

    private final ZipFile zip;
    private final List<ZipEntry> layers;

    private LayerArchive(ZipFile zip, List<ZipEntry> layers) {
        this.zip = zip;
        this.layers = layers;
    }

    /** @throws Refused at {@code file}, with a sentence, if it is nothing of the kind */
    static LayerArchive open(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] head = in.readNBytes(ENCRYPTED_AT + 1);
            if (head.length == 0) {
                throw new Refused("file", "No file was chosen, or it is empty.");
            }
            if (head.length <= ENCRYPTED_AT || head[0] != 'P' || head[1] != 'K') {
                throw new Refused("file", "That is no ZIP, whatever its name says.");
            }
            if ((head[ENCRYPTED_AT] & 1) == 1) {
                throw new Refused("file", "That ZIP is locked with a password: pack it without one.");
            }
        }
        ZipFile zip;
        try {
            zip = new ZipFile(file.toFile(), StandardCharsets.ISO_8859_1);
        } catch (ZipException e) {
            throw damaged();
        }
        try {
            return new LayerArchive(zip, layers(zip));
        } catch (RuntimeException e) {
            zip.close();
            throw e;
        }
    }

    private static List<ZipEntry> layers(ZipFile zip) {
        if (zip.size() > MOST_ENTRIES) {
            throw new Refused("file", "That ZIP holds more than " + MOST_ENTRIES + " files.");
        }
        List<ZipEntry> all = Collections.list(zip.entries()).stream()
                .map(e -> (ZipEntry) e)
                .filter(e -> !e.isDirectory())
                .toList();
        List<ZipEntry> pictures = all.stream().filter(e -> ends(e, ".png")).toList();
        if (pictures.isEmpty()) {
            throw new Refused(
                    "file",
                    all.stream().anyMatch(e -> ends(e, ".zip"))
                            ? "There is a ZIP in that ZIP, and no picture: unpack the inner one."
                            : "There is no PNG in that ZIP.");
        }
        List<ZipEntry> layers = ordered(ofLargestFolder(pictures));
        if (layers.size() > MOST_LAYERS) {
            throw new Refused("file", "More than " + MOST_LAYERS + " layers are not read.");
        }
        return layers;
    }

    private static boolean ends(ZipEntry entry, String with) {
        return entry.getName().toLowerCase(Locale.ROOT).endsWith(with);
    }

    private static List<ZipEntry> ofLargestFolder(List<ZipEntry> pictures) {
        Map<String, List<ZipEntry>> folders = pictures.stream().collect(Collectors.groupingBy(LayerArchive::folder));
        return folders.values().stream()
                .max(Comparator.comparingInt(List::size))
                .orElseThrow();
    }

    private static String folder(ZipEntry entry) {
        int slash = entry.getName().lastIndexOf('/');
        return slash < 0 ? "" : entry.getName().substring(0, slash);
    }

    private static String file(ZipEntry entry) {
        return entry.getName().substring(entry.getName().lastIndexOf('/') + 1);
    }

    private static int number(ZipEntry entry) {
        Matcher m = NUMBER.matcher(file(entry).substring(0, file(entry).length() - 4));
        return m.find() ? Integer.parseInt(m.group(1)) : -1;
    }

    /** By the last number in their names; pictures without one beside numbered ones are previews and the like. */
    private static List<ZipEntry> ordered(List<ZipEntry> pictures) {
        List<ZipEntry> numbered =
                new ArrayList<>(pictures.stream().filter(e -> number(e) >= 0).toList());
        if (numbered.isEmpty()) {
            return pictures.stream()
                    .sorted(Comparator.comparing(ZipEntry::getName))
                    .toList();
        }
        numbered.sort(Comparator.comparingInt(LayerArchive::number).thenComparing(ZipEntry::getName));
        requireWhole(numbered);
        return numbered;
    }

    /** A number that is missing among others in a row; names that count in other steps are let be. */
    private static void requireWhole(List<ZipEntry> numbered) {
        int missing = 0;
        int first = -1;
        for (int i = 1; i < numbered.size(); i++) {
            int step = number(numbered.get(i)) - number(numbered.get(i - 1));
            if (step > 1) {
                missing += step - 1;
                first = first < 0 ? number(numbered.get(i - 1)) + 1 : first;
            }
        }
        if (missing > 0 && missing * 5 <= numbered.size()) {
            throw new Refused(
                    "file",
                    (missing == 1
                                    ? "Picture " + first + " is missing"
                                    : missing + " pictures are missing, from " + first)
                            + " on: slice it anew, or pack all of them.");
        }
    }

    int size() {
        return layers.size();
    }

    String name(int layer) {
        return file(layers.get(layer));
    }

    /** The picture of a layer, as it is packed. */
    byte[] layer(int layer) throws IOException {
        return bytes(layers.get(layer), MOST_ENTRY_BYTES);
    }

    private byte[] bytes(ZipEntry entry, int most) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] buffer = new byte[1 << 16];
        try (InputStream in = zip.getInputStream(entry)) {
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                out.write(buffer, 0, n);
                if (out.size() > most) {
                    throw new Refused("file", file(entry) + " unpacks to more than " + most / 1_000_000 + " MB.");
                }
            }
        } catch (ZipException e) {
            throw damaged();
        } catch (java.io.EOFException e) {
            throw damaged();
        }
        return out.toByteArray();
    }

    /** What {@code sheet.json} says; empty where there is none. */
    JsonNode sheet() throws IOException {
        ZipEntry entry = Collections.list(zip.entries()).stream()
                .map(e -> (ZipEntry) e)
                .filter(e -> !e.isDirectory() && file(e).equalsIgnoreCase("sheet.json"))
                .findFirst()
                .orElse(null);
        if (entry == null) {
            return JSON.createObjectNode();
        }
        try {
            return JSON.readTree(bytes(entry, MOST_SHEET_BYTES));
        } catch (JsonProcessingException e) {
            throw new Refused("file", "The sheet.json in it cannot be read: it is no JSON.");
        }
    }

    private static Refused damaged() {
        return new Refused("file", "That ZIP is damaged or cut short.");
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }
}
