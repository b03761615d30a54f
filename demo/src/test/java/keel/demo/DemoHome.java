package keel.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import org.springframework.util.FileSystemUtils;

/** Where the demo's records of this build lie. */
final class DemoHome {

    /** When the story ends: the moment from which the browser tests go on. */
    static final String MOMENT = "2026-03-12T14:20:00Z";

    private DemoHome() {}

    /** An empty folder. */
    static Path fresh() {
        Path home = Path.of("target", "demo-home").toAbsolutePath();
        try {
            FileSystemUtils.deleteRecursively(home);
            java.nio.file.Files.createDirectories(home);
            return home;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
