package keel.app.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A change of the schema that fails or is cut off leaves the records as they were. */
class SafeMigrationTest {

    @TempDir
    private Path folder;

    private Path home;
    private String url;

    @BeforeEach
    void shop() throws IOException {
        home = Files.createDirectories(folder.resolve("home"));
        url = "jdbc:h2:file:" + home.resolve("keel").toAbsolutePath();
        script(1, "create table one (x int); insert into one values (7);");
    }

    private void script(int version, String sql) throws IOException {
        Path scripts = Files.createDirectories(folder.resolve("scripts"));
        Files.writeString(scripts.resolve("V" + version + "__change.sql"), sql);
    }

    private void migrate() {
        Flyway flyway = Flyway.configure()
                .dataSource(url, "keel", "")
                .locations("filesystem:" + folder.resolve("scripts"))
                .load();
        new SafeMigration(home, url).migrate(flyway);
    }

    private int answer(String sql) throws SQLException {
        try (Connection connection = DriverManager.getConnection(url, "keel", "");
                Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            row.next();
            return row.getInt(1);
        }
    }

    private int tables() throws SQLException {
        return answer("select count(*) from information_schema.tables where table_schema = 'PUBLIC'");
    }

    /** The database commits each statement that changes its form: what failed halfway would stay half done. */
    @Test
    void oneThatFailsHalfwayIsTakenBackWhole() throws Exception {
        migrate();
        assertThat(SafeMigration.putBack(home)).as("nothing was cut off").isFalse();
        int before = tables();
        script(2, "create table two (x int); update one set x = 8; create table third (x nonsense);");
        assertThatExceptionOfType(FlywayException.class).isThrownBy(this::migrate);
        assertThat(tables()).as("half of it stands").isGreaterThan(before);
        assertThat(SafeMigration.putBack(home)).isTrue();
        assertThat(tables()).isEqualTo(before);
        assertThat(answer("select x from one")).isEqualTo(7);
        script(2, "create table two (x int); update one set x = 8;");
        migrate();
        assertThat(answer("select x from one")).isEqualTo(8);
        assertThat(home.resolve(SafeMigration.LAST)).exists();
        assertThat(home.resolve(SafeMigration.COPY)).doesNotExist();
    }

    @Test
    void aFirstStartThatIsCutOffBeginsAnew() throws Exception {
        script(2, "create table two (x int); create table third (x nonsense);");
        assertThatExceptionOfType(FlywayException.class).isThrownBy(this::migrate);
        assertThat(SafeMigration.putBack(home)).isTrue();
        assertThat(home.resolve(SafeMigration.DATABASE)).doesNotExist();
        script(2, "create table two (x int);");
        migrate();
        assertThat(answer("select x from one")).isEqualTo(7);
    }

    /** A copy that was not finished is none: nothing was changed yet when it was cut off. */
    @Test
    void aCopyThatWasCutOffIsThrownAway() throws Exception {
        migrate();
        Files.writeString(home.resolve(SafeMigration.COPY + ".part"), "half a");
        assertThat(SafeMigration.putBack(home)).isFalse();
        assertThat(home.resolve(SafeMigration.COPY + ".part")).doesNotExist();
        assertThat(answer("select x from one")).isEqualTo(7);
    }
}
