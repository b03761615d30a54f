package keel.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.stream.Stream;

/** The demo and a browser, started once for all test classes that can share them and ended with the test run. */
final class Demo {

    private static KeelProcess keel;
    private static Browsing browsing;

    private Demo() {}

    static synchronized KeelProcess keel() {
        if (keel == null) {
            Path home = home();
            keel = KeelProcess.start("demo", home);
            browsing = new Browsing(keel.address());
            Runtime.getRuntime().addShutdownHook(new Thread(() -> {
                keel.close();
                delete(home);
            }));
        }
        return keel;
    }

    static synchronized Browsing browsing() {
        keel();
        return browsing;
    }

    private static Path home() {
        try {
            return Files.createTempDirectory("keel-demo");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void delete(Path home) {
        try (Stream<Path> all = Files.walk(home)) {
            all.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        } catch (IOException e) {
            // a temporary folder stays
        }
    }
}
