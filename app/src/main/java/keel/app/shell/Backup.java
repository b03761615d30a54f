package keel.app.shell;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.Enumeration;
import java.util.Map;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;

/**
 * A backup is a ZIP with a manifest, the database as it was at one moment, and the photos. It is made while the
 * application runs, through its control address, or from the files where it does not.
 */
final class Backup {

    private static final String FORMAT = "vigilant-keel-backup";
    private static final String DATABASE = "keel.mv.db";

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
            check(part);
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
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            Files.delete(database);
            try (Statement statement = connection.createStatement()) {
                statement.execute("BACKUP TO '" + database.toString().replace("'", "''") + "'");
            }
            zip.putNextEntry(new ZipEntry("manifest.json"));
            zip.write(new ObjectMapper()
                    .writeValueAsBytes(Map.of("format", FORMAT, "version", 1, "madeAt", madeAt.toString())));
            try (ZipFile made = new ZipFile(database.toFile());
                    InputStream in = made.getInputStream(made.getEntry(DATABASE))) {
                zip.putNextEntry(new ZipEntry(DATABASE));
                in.transferTo(zip);
            }
            photos(home, zip);
        } finally {
            Files.deleteIfExists(database);
        }
    }

    private static void photos(Path home, ZipOutputStream zip) throws IOException {
        Path photos = home.resolve("photos");
        if (!Files.isDirectory(photos)) {
            return;
        }
        try (Stream<Path> files = Files.walk(photos)) {
            for (Path file : files.filter(Files::isRegularFile)
                    .filter(f -> !f.toString().endsWith(".part"))
                    .sorted()
                    .toList()) {
                zip.putNextEntry(new ZipEntry(home.relativize(file).toString().replace('\\', '/')));
                Files.copy(file, zip);
            }
        }
    }

    private static void check(Path file) throws IOException {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            ZipEntry manifest = zip.getEntry("manifest.json");
            JsonNode said = manifest == null ? null : new ObjectMapper().readTree(zip.getInputStream(manifest));
            if (said == null || !FORMAT.equals(said.path("format").asText()) || zip.getEntry(DATABASE) == null) {
                throw new IllegalArgumentException(file + " is no backup of Vigilant Keel.");
            }
            if (said.path("version").asInt() > 1) {
                throw new IllegalArgumentException(file + " was made by a newer Vigilant Keel.");
            }
        } catch (java.util.zip.ZipException e) {
            throw new IllegalArgumentException(file + " is no backup, or it is damaged: " + e.getMessage());
        }
    }

    /** Restores into a home that holds nothing; a home in use is never touched. */
    static void restore(Path file, Path home) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new IllegalArgumentException("There is no file " + file + ".");
        }
        check(file);
        if (Files.exists(home)) {
            try (Stream<Path> inside = Files.list(home)) {
                if (inside.findAny().isPresent()) {
                    throw new IllegalArgumentException(
                            home + " is not empty. Restore into an empty or new folder, then start with --home.");
                }
            }
            Files.delete(home);
        }
        Path target = home.toAbsolutePath().normalize();
        Files.createDirectories(target.getParent());
        Path fresh = Files.createTempDirectory(target.getParent(), "restore");
        try {
            unpack(file, fresh);
            Files.move(fresh, target, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Home.delete(fresh);
        }
    }

    private static void unpack(Path file, Path fresh) throws IOException {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            for (Enumeration<? extends ZipEntry> entries = zip.entries(); entries.hasMoreElements(); ) {
                ZipEntry entry = entries.nextElement();
                Path to = fresh.resolve(entry.getName()).normalize();
                boolean ours = entry.getName().equals(DATABASE)
                        || entry.getName().matches("photos/[0-9a-f]{2}/[0-9a-f]{64}(-(small|screen)\\.jpg)?");
                if (!to.startsWith(fresh) || !ours && !entry.getName().equals("manifest.json")) {
                    throw new IllegalArgumentException(
                            file + " holds something that does not belong in a backup: " + entry.getName());
                }
                if (ours) {
                    Files.createDirectories(to.getParent());
                    Files.copy(zip.getInputStream(entry), to);
                }
            }
        }
    }
}
