package keel.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.stream.Stream;

/**
 * The demo and a browser, started once for all test classes that can share them and ended with the test run. Its
 * records are made once by the application itself, backed up, and restored for whoever needs them; its clock goes on
 * from the moment at which its story ends, so that the same is true at any hour of the day.
 */
final class Demo {

    /** When the story ends: a Thursday in the afternoon, the shop at work. */
    static final Instant MOMENT = Instant.parse("2026-03-12T14:20:00Z");

    /** The records that the demo's own tests have made, at that very moment. */
    private static final Path MADE =
            Path.of("..", "demo", "target", "demo-home").toAbsolutePath().normalize();

    private static final Path BACKUP = Path.of("target", "demo-home.zip").toAbsolutePath();

    private static KeelProcess keel;
    private static Browsing browsing;
    private static long started;

    private Demo() {}

    static synchronized KeelProcess keel() {
        if (keel == null) {
            Path folder = folder();
            keel = start("demo", restored(folder.resolve("home")));
            browsing = new Browsing(keel.address());
            started = System.nanoTime();
            Runtime.getRuntime().addShutdownHook(new Thread(() -> {
                keel.close();
                delete(folder);
            }));
        }
        return keel;
    }

    static synchronized Browsing browsing() {
        keel();
        return browsing;
    }

    /** What its clock shows, to the second or two. */
    static Instant now() {
        keel();
        return MOMENT.plus(Duration.ofNanos(System.nanoTime() - started));
    }

    /** A home with the demo's records in it. */
    static Path restored(Path home) {
        try {
            Alone.with("demo-home", () -> {
                if (stale()) {
                    make();
                }
            });
            expect0(KeelProcess.errand("restore", BACKUP.toString(), "--home", home.toString()));
            return home;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static KeelProcess start(String command, Path home) {
        return KeelProcess.start(command, home, "--clock", MOMENT + "+");
    }

    private static boolean stale() throws IOException {
        return !Files.exists(BACKUP)
                || Files.getLastModifiedTime(BACKUP).compareTo(Files.getLastModifiedTime(KeelProcess.packed())) < 0;
    }

    private static void make() throws IOException, InterruptedException {
        Path folder = folder();
        Path fresh = folder.resolve("backup.zip");
        Path home = Files.exists(MADE.resolve("keel.mv.db")) ? MADE : folder.resolve("home");
        if (!home.equals(MADE)) {
            try (KeelProcess first = start("demo", home)) {
                first.address();
            }
        }
        expect0(KeelProcess.errand("backup", fresh.toString(), "--home", home.toString()));
        Files.move(fresh, BACKUP, StandardCopyOption.REPLACE_EXISTING);
        delete(folder);
    }

    private static void expect0(String said) {
        if (!said.startsWith("0\n")) {
            throw new IllegalStateException("The demo's records could not be made: " + said);
        }
    }

    private static Path folder() {
        try {
            return Files.createTempDirectory("keel-demo");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void delete(Path folder) {
        try (Stream<Path> all = Files.walk(folder)) {
            all.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        } catch (IOException e) {
            // a temporary folder stays
        }
    }
}
