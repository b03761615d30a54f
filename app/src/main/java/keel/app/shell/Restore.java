package keel.app.shell;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.stream.Stream;

/** Puts a backup in place once it was found whole; what was there before is kept aside. */
final class Restore {

    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneOffset.UTC);

    private Restore() {}

    /**
     * @return a sentence of what was done
     * @throws IllegalArgumentException if the backup is not whole or the application runs in that home; nothing was
     *     changed then
     */
    static String of(Path file, Path home) throws IOException {
        Path target = home.toAbsolutePath().normalize();
        Files.createDirectories(target.getParent());
        Path fresh = Files.createTempDirectory(target.getParent(), "restore");
        try {
            BackupCheck whole = BackupCheck.unpack(file, fresh);
            Files.deleteIfExists(fresh.resolve("keel.trace.db"));
            Home.closeToOthers(fresh);
            String aside = aside(target);
            Files.move(fresh, target, StandardCopyOption.ATOMIC_MOVE);
            return "Restored " + file + ", made at " + whole.madeAt() + ", to " + home + "." + aside;
        } finally {
            Home.delete(fresh);
        }
    }

    private static String aside(Path target) throws IOException {
        if (!Files.exists(target)) {
            return "";
        }
        List<Path> inside;
        try (Stream<Path> files = Files.list(target)) {
            inside = files.filter(f -> !f.getFileName().toString().equals(HomeLock.FILE))
                    .toList();
        }
        try (HomeLock alone = HomeLock.of(target)) {
            if (inside.isEmpty()) {
                Files.delete(target.resolve(HomeLock.FILE));
                Files.delete(target);
                return "";
            }
            Path kept = target.resolveSibling(target.getFileName() + "-before-"
                    + STAMP.format(ShopClock.ofTheComputer().instant()));
            Files.move(target, kept, StandardCopyOption.ATOMIC_MOVE);
            return " What was there is kept in " + kept + ".";
        }
    }
}
