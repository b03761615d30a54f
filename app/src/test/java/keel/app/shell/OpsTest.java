package keel.app.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OpsTest {

    @TempDir
    private Path folder;

    @Test
    void theCommandLineIsReadWithItsDefaults() {
        Request demo = Request.of(new String[] {"demo"});
        assertThat(demo.port()).isEqualTo(8080);
        assertThat(demo.home()).isEqualTo(Path.of("var", "demo"));
        assertThat(demo.lan()).isFalse();
        Request run = Request.of(new String[] {"run", "--https", "--lan", "--port", "9000", "--home", "x"});
        assertThat(run.https()).isTrue();
        assertThat(run.lan()).isTrue();
        assertThat(run.port()).isEqualTo(9000);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "demo --port lots",
                "demo --port 70000",
                "demo --prot 1",
                "run --fresh",
                "backup",
                "demo extra",
                "run --home"
            })
    void whatIsNotUnderstoodIsSaid(String line) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Request.of(line.split(" ")))
                .withMessageMatching("(?s)[A-Z-].*");
    }

    @Test
    void freshEmptiesOnlyAFolderOfItsOwn() throws IOException {
        Path home = Files.createDirectories(folder.resolve("home"));
        Files.writeString(home.resolve("keel.mv.db"), "x");
        Files.createDirectories(home.resolve("photos/ab"));
        Files.writeString(home.resolve("photos/ab/x"), "x");
        Home.clear(home);
        assertThat(home).isEmptyDirectory();
        Files.writeString(home.resolve("thesis.txt"), "years of work");
        Files.writeString(home.resolve("keel.mv.db"), "x");
        assertThatIllegalArgumentException().isThrownBy(() -> Home.clear(home)).withMessageContaining("thesis.txt");
        assertThat(home.resolve("keel.mv.db")).exists();
    }

    @Test
    void aBackupRestoresRecordsAndPhotos() throws Exception {
        Path home = shop("records");
        String photo = "photos/ab/" + "ab".repeat(32);
        Files.createDirectories(home.resolve(photo).getParent());
        Files.writeString(home.resolve(photo), "picture");
        Path file = folder.resolve("keel.zip");
        Backup.write(home, file);
        Path restored = folder.resolve("new/home");
        Backup.restore(file, restored);
        assertThat(read(restored)).isEqualTo("records");
        assertThat(restored.resolve(photo)).hasContent("picture");
        assertThatExceptionOfType(FileAlreadyExistsException.class).isThrownBy(() -> Backup.write(home, file));
    }

    @Test
    void aHomeInUseIsNeverRestoredOver() throws Exception {
        Path file = folder.resolve("keel.zip");
        Backup.write(shop("old"), file);
        Path used = Files.createDirectories(folder.resolve("used"));
        Files.writeString(used.resolve("anything"), "x");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Backup.restore(file, used))
                .withMessageContaining("not empty");
        assertThat(used.resolve("anything")).hasContent("x");
    }

    @Test
    void whatIsNoBackupIsRefused() throws IOException {
        Path text = Files.writeString(folder.resolve("a.zip"), "not a zip at all");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Backup.restore(text, folder.resolve("h1")))
                .withMessageContaining("no backup");
        Path other = zip("b.zip", List.of("readme.txt"));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Backup.restore(other, folder.resolve("h2")))
                .withMessageContaining("no backup");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Backup.restore(folder.resolve("none.zip"), folder.resolve("h3")))
                .withMessageContaining("no file");
    }

    @Test
    void aBackupThatReachesOutOfItsFolderIsRefusedWholly() throws IOException {
        Path hostile = zip("c.zip", List.of("keel.mv.db", "../../escaped"));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Backup.restore(hostile, folder.resolve("deep/home")))
                .withMessageContaining("does not belong");
        assertThat(folder.resolve("deep/home")).doesNotExist();
        assertThat(folder.resolve("escaped")).doesNotExist();
        assertThat(folder.resolve("deep")).isEmptyDirectory();
    }

    private Path zip(String name, List<String> entries) throws IOException {
        Path file = folder.resolve(name);
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            zip.putNextEntry(new ZipEntry("manifest.json"));
            zip.write("{\"format\":\"vigilant-keel-backup\",\"version\":1}".getBytes());
            for (String entry : entries) {
                zip.putNextEntry(new ZipEntry(entry));
                zip.write('x');
            }
        }
        return file;
    }

    private Path shop(String content) throws IOException, SQLException {
        Path home = Files.createDirectories(folder.resolve("home"));
        try (Connection connection = DriverManager.getConnection(url(home), "keel", "")) {
            connection.createStatement().execute("create table if not exists t(x varchar)");
            connection.createStatement().execute("insert into t values ('" + content + "')");
        }
        return home;
    }

    private static String read(Path home) throws SQLException {
        try (Connection connection = DriverManager.getConnection(url(home), "keel", "");
                ResultSet rows = connection.createStatement().executeQuery("select x from t")) {
            rows.next();
            return rows.getString(1);
        }
    }

    private static String url(Path home) {
        return "jdbc:h2:file:" + home.resolve("keel").toAbsolutePath();
    }
}
