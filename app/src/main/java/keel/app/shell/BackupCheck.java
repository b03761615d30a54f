package keel.app.shell;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.List;
import java.util.regex.Pattern;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/**
 * Reads a backup through as one who depends on it: every sum holds, every photo is the one its name says, and the
 * database opens and gives up every row.
 *
 * @param madeAt when it was made
 * @param rows of all tables together
 * @param photos as they were brought
 */
record BackupCheck(Instant madeAt, long rows, int photos) {

    private static final Pattern PHOTO =
            Pattern.compile("photos/[0-9a-f]{2}/([0-9a-f]{64})(-small\\.jpg|-screen\\.jpg)?");

    /** @throws IllegalArgumentException with a sentence that says what is wrong with it */
    static BackupCheck of(Path file) throws IOException {
        Path folder = Files.createTempDirectory("keel-check");
        try {
            return unpack(file, folder);
        } finally {
            Home.delete(folder);
        }
    }

    /**
     * Unpacks into an empty folder what was found whole.
     *
     * @throws IllegalArgumentException with a sentence that says what is wrong with it
     */
    static BackupCheck unpack(Path file, Path folder) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new IllegalArgumentException("There is no file " + file + ".");
        }
        try (ZipFile zip = new ZipFile(file.toFile())) {
            JsonNode manifest = Backup.manifest(zip, file);
            requireAll(zip, manifest, file);
            int photos = 0;
            for (ZipEntry entry : Collections.list(zip.entries()).stream()
                    .map(e -> (ZipEntry) e)
                    .filter(e -> !e.getName().equals(Backup.MANIFEST))
                    .toList()) {
                boolean whole = PHOTO.matcher(entry.getName()).matches()
                        && !entry.getName().endsWith(".jpg");
                photos += whole ? 1 : 0;
                entry(zip, entry, manifest, folder, file);
            }
            long rows = rows(folder, file);
            return new BackupCheck(Instant.parse(manifest.path("madeAt").asText()), rows, photos);
        } catch (ZipException e) {
            throw damaged(file, "it is no ZIP, or was cut off");
        }
    }

    private static void requireAll(ZipFile zip, JsonNode manifest, Path file) {
        for (Iterator<String> names = manifest.path("sums").fieldNames(); names.hasNext(); ) {
            String name = names.next();
            if (zip.getEntry(name) == null) {
                throw damaged(file, name + " is missing");
            }
        }
    }

    private static void entry(ZipFile zip, ZipEntry entry, JsonNode manifest, Path folder, Path file)
            throws IOException {
        String name = entry.getName();
        boolean photo = PHOTO.matcher(name).matches();
        if (!photo && !name.equals(Backup.DATABASE)) {
            throw new IllegalArgumentException(file + " holds something that does not belong in a backup: " + name);
        }
        Path to = folder.resolve(name);
        Files.createDirectories(to.getParent());
        MessageDigest sum = Backup.sha256();
        CRC32 crc = new CRC32();
        try (InputStream in = new DigestInputStream(new CheckedInputStream(zip.getInputStream(entry), crc), sum);
                OutputStream out = Files.newOutputStream(to)) {
            in.transferTo(out);
        } catch (IOException e) {
            throw damaged(file, name + " cannot be unpacked");
        }
        String found = HexFormat.of().formatHex(sum.digest());
        JsonNode said = manifest.path("sums").path(name);
        boolean listed = said.isMissingNode()
                ? manifest.path("version").asInt() < 2
                : said.asText().equals(found);
        if (crc.getValue() != entry.getCrc() || !listed) {
            throw damaged(file, name + " is not what was put into it");
        }
        if (photo && !name.endsWith(".jpg") && !name.endsWith(found)) {
            throw damaged(file, name + " is another picture than its name says");
        }
    }

    /** Reads every row of every table. */
    private static long rows(Path folder, Path file) {
        String url = "jdbc:h2:file:" + folder.resolve("keel").toAbsolutePath()
                + ";IFEXISTS=TRUE;ACCESS_MODE_DATA=r;FILE_LOCK=NO";
        long rows = 0;
        try (Connection connection = DriverManager.getConnection(url, "keel", "");
                Statement statement = connection.createStatement()) {
            for (String table : tables(statement)) {
                try (ResultSet all = statement.executeQuery("select * from \"" + table + "\"")) {
                    while (all.next()) {
                        rows++;
                    }
                }
            }
        } catch (SQLException e) {
            throw damaged(file, "the records in it do not open");
        }
        return rows;
    }

    private static List<String> tables(Statement statement) throws SQLException {
        List<String> tables = new ArrayList<>();
        try (ResultSet names =
                statement.executeQuery("select table_name from information_schema.tables where table_schema = 'PUBLIC' "
                        + "and table_type = 'BASE TABLE'")) {
            while (names.next()) {
                tables.add(names.getString(1));
            }
        }
        if (!tables.contains("FLYWAY_SCHEMA_HISTORY") && !tables.contains("flyway_schema_history")) {
            throw new SQLException("These are no records of Vigilant Keel.");
        }
        return tables;
    }

    private static IllegalArgumentException damaged(Path file, String how) {
        return new IllegalArgumentException(
                file + " is no backup, or it is damaged: " + how + ". Nothing was changed.");
    }
}
