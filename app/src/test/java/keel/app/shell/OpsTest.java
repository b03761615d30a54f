package keel.app.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import keel.app.base.PictureFiles;
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
        String photo = photo("picture");
        Files.createDirectories(home.resolve(photo).getParent());
        Files.writeString(home.resolve(photo), "picture");
        Path file = folder.resolve("keel.zip");
        Backup.write(home, file);
        Path restored = folder.resolve("new/home");
        Restore.of(file, restored);
        assertThat(read(restored)).isEqualTo("records");
        assertThat(restored.resolve(photo)).hasContent("picture");
        assertThatExceptionOfType(FileAlreadyExistsException.class).isThrownBy(() -> Backup.write(home, file));
    }

    private static String photo(String content) {
        String hash = PictureFiles.hash(content.getBytes());
        return "photos/" + hash.substring(0, 2) + "/" + hash;
    }

    /** What was there stays beside, whatever it was; a home in which the application runs is left alone. */
    @Test
    void whatWasThereIsKeptAsideAndAHomeInUseIsNeverTouched() throws Exception {
        Path file = folder.resolve("keel.zip");
        Backup.write(shop("old"), file);
        Path used = Files.createDirectories(folder.resolve("used"));
        Files.writeString(used.resolve("anything"), "x");
        try (HomeLock running = HomeLock.of(used)) {
            assertThatIllegalArgumentException()
                    .isThrownBy(() -> Restore.of(file, used))
                    .withMessageContaining("Another Vigilant Keel is running");
        }
        assertThat(used.resolve("anything")).hasContent("x");
        assertThat(Restore.of(file, used)).contains("What was there is kept in");
        assertThat(read(used)).isEqualTo("old");
        try (Stream<Path> beside = Files.list(folder)) {
            assertThat(beside.filter(p -> p.getFileName().toString().startsWith("used-before-"))
                            .map(p -> p.resolve("anything")))
                    .singleElement()
                    .satisfies(kept -> assertThat(kept).hasContent("x"));
        }
    }

    /** A byte that fell over anywhere in what was packed is found before anything is touched. */
    @Test
    void aDamagedBackupIsFoundWhereverTheDamageIs() throws Exception {
        Path home = shop("records");
        Files.createDirectories(home.resolve(photo("picture")).getParent());
        Files.writeString(home.resolve(photo("picture")), "picture");
        Path file = folder.resolve("keel.zip");
        Backup.write(home, file);
        assertThat(BackupCheck.of(file).photos()).isEqualTo(1);
        byte[] whole = Files.readAllBytes(file);
        Path bent = folder.resolve("bent.zip");
        Path into = folder.resolve("into");
        int found = 0;
        for (int at = 60; at < whole.length - 400; at += 97) {
            byte[] bytes = whole.clone();
            bytes[at] ^= 0x55;
            Files.write(bent, bytes);
            try {
                BackupCheck.of(bent);
            } catch (IllegalArgumentException e) {
                found++;
                assertThatIllegalArgumentException().isThrownBy(() -> Restore.of(bent, into));
            }
            assertThat(into).doesNotExist();
        }
        assertThat(found).isGreaterThan((whole.length - 460) / 97 * 9 / 10);
        Files.write(bent, Arrays.copyOf(whole, whole.length / 2));
        assertThatIllegalArgumentException().isThrownBy(() -> BackupCheck.of(bent));
    }

    /** One of version 1, as the first releases made them, has no sums: it is opened all the same. */
    @Test
    void anOldBackupIsReadAndItsPhotosAreHeldAgainstTheirNames() throws Exception {
        Path home = shop("first release");
        Path database = home.resolve("keel.mv.db");
        Path good = old("good.zip", database, photo("picture"), "picture");
        Path restored = folder.resolve("restored");
        Restore.of(good, restored);
        assertThat(read(restored)).isEqualTo("first release");
        Path swapped = old("swapped.zip", database, photo("picture"), "another");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> BackupCheck.of(swapped))
                .withMessageContaining("another picture");
    }

    private Path old(String name, Path database, String photo, String content) throws IOException {
        Path file = folder.resolve(name);
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            zip.putNextEntry(new ZipEntry("manifest.json"));
            zip.write("{\"format\":\"vigilant-keel-backup\",\"version\":1,\"madeAt\":\"2026-01-01T00:00:00Z\"}"
                    .getBytes());
            zip.putNextEntry(new ZipEntry("keel.mv.db"));
            Files.copy(database, zip);
            zip.putNextEntry(new ZipEntry(photo));
            zip.write(content.getBytes());
        }
        return file;
    }

    @Test
    void oneADayOfSevenAndOneAWeekOfEightAreKept() {
        List<LocalDate> days = LocalDate.of(2026, 1, 1)
                .datesUntil(LocalDate.of(2026, 4, 1))
                .sorted(Comparator.reverseOrder())
                .toList();
        Set<LocalDate> kept = BackupShelf.keep(days);
        assertThat(kept).hasSize(7 + 7 - 1).containsAll(days.subList(0, 7));
        assertThat(kept).contains(LocalDate.of(2026, 3, 22), LocalDate.of(2026, 2, 15));
        assertThat(BackupShelf.keep(days.subList(0, 3))).hasSize(3);
        assertThat(BackupShelf.keep(List.of())).isEmpty();
    }

    @Test
    void whetherADemoWasMadeToItsEndIsKnown() throws IOException {
        Path home = folder.resolve("home");
        Home.unfinished(home, true);
        assertThat(Home.isUnfinished(home)).isTrue();
        Home.unfinished(home, false);
        assertThat(Home.isUnfinished(home)).isFalse();
        Home.unfinished(home, true);
        Home.clear(home);
        assertThat(home).isEmptyDirectory();
    }

    @Test
    void aHomeIsClosedToOthers() throws IOException {
        Path home = Files.createDirectories(folder.resolve("home"));
        Files.writeString(home.resolve("keel.mv.db"), "x");
        Home.closeToOthers(home);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(home)))
                .isEqualTo("rwx------");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(home.resolve("keel.mv.db"))))
                .isEqualTo("rw-------");
    }

    @Test
    void whatIsNoBackupIsRefused() throws IOException {
        Path text = Files.writeString(folder.resolve("a.zip"), "not a zip at all");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Restore.of(text, folder.resolve("h1")))
                .withMessageContaining("no backup");
        Path other = zip("b.zip", List.of("readme.txt"));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Restore.of(other, folder.resolve("h2")))
                .withMessageContaining("no backup");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Restore.of(folder.resolve("none.zip"), folder.resolve("h3")))
                .withMessageContaining("no file");
    }

    @Test
    void aBackupThatReachesOutOfItsFolderIsRefusedWholly() throws IOException {
        Path hostile = zip("c.zip", List.of("keel.mv.db", "../../escaped"));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Restore.of(hostile, folder.resolve("deep/home")))
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
            connection.createStatement().execute("create table if not exists flyway_schema_history(v int)");
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
