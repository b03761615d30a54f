package keel.app.shell;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.flywaydb.core.Flyway;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.flyway.FlywayMigrationStrategy;
import org.springframework.stereotype.Component;

/**
 * Changes of the schema are whole or not at all, although the database commits each of their statements by itself: the
 * records are copied before, and while the copy lies there the change is not finished. Whoever starts then, after a
 * failure or a pulled plug, puts the copy back first.
 */
@Component
class SafeMigration implements FlywayMigrationStrategy {

    static final String COPY = "before-migration.zip";
    static final String LAST = "last-migration.zip";
    static final String DATABASE = "keel.mv.db";

    private final Path home;
    private final boolean inFile;

    SafeMigration(@Value("${keel.home}") Path home, @Value("${spring.datasource.url}") String url) {
        this.home = home;
        this.inFile = url.startsWith("jdbc:h2:file:");
    }

    @Override
    public void migrate(Flyway flyway) {
        if (!inFile || flyway.info().pending().length == 0) {
            flyway.migrate();
            return;
        }
        try {
            copy(flyway);
            flyway.migrate();
            Files.move(home.resolve(COPY), home.resolve(LAST), StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException | SQLException e) {
            throw new IllegalStateException("The records could not be copied before they are changed.", e);
        }
    }

    /** Of a shop that begins there is nothing to copy: an empty copy says so. */
    private void copy(Flyway flyway) throws IOException, SQLException {
        Path part = home.resolve(COPY + ".part");
        Files.deleteIfExists(part);
        if (flyway.info().applied().length == 0) {
            try (ZipOutputStream empty = new ZipOutputStream(Files.newOutputStream(part))) {
                empty.putNextEntry(new ZipEntry("nothing"));
            }
        } else {
            try (Connection connection =
                            flyway.getConfiguration().getDataSource().getConnection();
                    Statement statement = connection.createStatement()) {
                statement.execute("BACKUP TO '" + part.toString().replace("'", "''") + "'");
            }
        }
        Files.move(part, home.resolve(COPY), StandardCopyOption.ATOMIC_MOVE);
    }

    /**
     * Puts the records back as they were before a change of the schema that did not come to its end.
     *
     * @return whether there was one
     */
    static boolean putBack(Path home) throws IOException {
        Path copy = home.resolve(COPY);
        Files.deleteIfExists(home.resolve(COPY + ".part"));
        if (!Files.exists(copy)) {
            return false;
        }
        Path database = home.resolve(DATABASE);
        Path part = home.resolve(DATABASE + ".part");
        try (ZipFile zip = new ZipFile(copy.toFile())) {
            ZipEntry entry = zip.getEntry(DATABASE);
            if (entry == null) {
                Files.deleteIfExists(database);
            } else {
                try (InputStream in = zip.getInputStream(entry);
                        OutputStream out = Files.newOutputStream(part)) {
                    in.transferTo(out);
                }
                Files.move(part, database, StandardCopyOption.ATOMIC_MOVE);
            }
        }
        Files.delete(copy);
        return true;
    }
}
