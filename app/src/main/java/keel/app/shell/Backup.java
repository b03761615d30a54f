package keel.app.shell;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.HexFormat;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;

/**
 * A backup is a ZIP of the database as it was at one moment, the photos, and a manifest with the sum of each of them.
 * It is made while the application runs, through its control address, or from the files where it does not; it is opened
 * and read through before it counts as made.
 */
final class Backup {

    static final String FORMAT = "vigilant-keel-backup";
    static final int VERSION = 2;
    static final String DATABASE = "keel.mv.db";
    static final String MANIFEST = "manifest.json";

    private static final ObjectMapper JSON = new ObjectMapper();

    private Backup() {}

    /** Makes a backup, whether or not the application is running. An existing file is not overwritten. */
    static void write(Path home, Path file) throws IOException {
        if (Files.exists(file)) {
            throw new FileAlreadyExistsException(file + " exists already; a backup is never overwritten.");
        }
        if (!Files.exists(home.resolve(DATABASE))) {
            throw new IllegalArgumentException("There are no records in " + home + ".");
        }
        Path part = file.resolveSibling(file.getFileName() + ".part");
        try {
            if (!Control.fetchBackup(home, part)) {
                try (OutputStream out = Files.newOutputStream(part)) {
                    offline(home, out);
                }
            }
            BackupCheck.of(part);
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private static void offline(Path home, OutputStream out) throws IOException {
        String url = "jdbc:h2:file:" + home.resolve("keel").toAbsolutePath() + ";IFEXISTS=TRUE";
        try (Connection connection = DriverManager.getConnection(url, "keel", "")) {
            write(connection, home, ShopClock.ofTheComputer().instant(), out);
        } catch (SQLException e) {
            throw new IOException("The records in " + home + " could not be read: " + e.getMessage(), e);
        }
    }

    /** Writes a backup from an open connection, made at the given time. */
    static void write(Connection connection, Path home, Instant madeAt, OutputStream out)
            throws IOException, SQLException {
        Path database = Files.createTempFile("keel", ".zip");
        ObjectNode manifest = JSON.createObjectNode()
                .put("format", FORMAT)
                .put("version", VERSION)
                .put("madeAt", madeAt.toString());
        ObjectNode sums = manifest.putObject("sums");
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            Files.delete(database);
            try (Statement statement = connection.createStatement()) {
                statement.execute("BACKUP TO '" + database.toString().replace("'", "''") + "'");
            }
            try (ZipFile made = new ZipFile(database.toFile());
                    InputStream in = made.getInputStream(made.getEntry(DATABASE))) {
                add(zip, DATABASE, in, sums);
            }
            photos(home, zip, sums);
            zip.putNextEntry(new ZipEntry(MANIFEST));
            zip.write(JSON.writeValueAsBytes(manifest));
        } finally {
            Files.deleteIfExists(database);
        }
    }

    private static void photos(Path home, ZipOutputStream zip, ObjectNode sums) throws IOException {
        Path photos = home.resolve("photos");
        if (!Files.isDirectory(photos)) {
            return;
        }
        try (Stream<Path> files = Files.walk(photos)) {
            for (Path file : files.filter(Files::isRegularFile)
                    .filter(f -> !f.toString().endsWith(".part"))
                    .sorted()
                    .toList()) {
                try (InputStream in = Files.newInputStream(file)) {
                    add(zip, home.relativize(file).toString().replace('\\', '/'), in, sums);
                }
            }
        }
    }

    private static void add(ZipOutputStream zip, String name, InputStream in, ObjectNode sums) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        MessageDigest sum = sha256();
        DigestOutputStream counted = new DigestOutputStream(zip, sum);
        in.transferTo(counted);
        sums.put(name, HexFormat.of().formatHex(sum.digest()));
        zip.closeEntry();
    }

    static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** @throws IllegalArgumentException if the file says that it is something else, or newer than this program */
    static JsonNode manifest(ZipFile zip, Path file) throws IOException {
        ZipEntry entry = zip.getEntry(MANIFEST);
        JsonNode said;
        try {
            said = entry == null ? null : JSON.readTree(zip.getInputStream(entry));
        } catch (JsonProcessingException e) {
            said = null;
        }
        if (said == null || !FORMAT.equals(said.path("format").asText()) || zip.getEntry(DATABASE) == null) {
            throw new IllegalArgumentException(file + " is no backup of Vigilant Keel.");
        }
        if (said.path("version").asInt() > VERSION) {
            throw new IllegalArgumentException(file + " was made by a newer Vigilant Keel.");
        }
        return said;
    }
}
