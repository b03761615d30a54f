package keel.app.shell;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** The folder that holds everything of one shop. */
public final class Home {

    /** Lies there while the records of a demo are made. */
    private static final String UNFINISHED = "unfinished";

    static final List<String> OURS = List.of(
            "keel.mv.db",
            "keel.trace.db",
            "keel.mv.db.part",
            SafeMigration.COPY,
            SafeMigration.COPY + ".part",
            SafeMigration.LAST,
            "backups",
            UNFINISHED,
            "photos",
            "files",
            "api-token",
            "control",
            "keel.p12",
            "keel.p12.password",
            "keel.crt");

    private Home() {}

    /**
     * Throws away what this product put there, and nothing else.
     *
     * @throws IllegalArgumentException if something else lies there, so that a slip of --home costs nothing
     */
    static void clear(Path home) throws IOException {
        if (!Files.isDirectory(home)) {
            return;
        }
        try (Stream<Path> files = Files.list(home)) {
            List<String> strange = files.map(f -> f.getFileName().toString())
                    .filter(name -> !OURS.contains(name) && !name.equals(HomeLock.FILE))
                    .toList();
            if (!strange.isEmpty()) {
                throw new IllegalArgumentException("--fresh refuses to empty " + home + ": " + strange.get(0)
                        + " does not belong to Vigilant Keel.");
            }
        }
        for (String name : OURS) {
            delete(home.resolve(name));
        }
    }

    /** Marks that the records there are being made, until they all are. */
    public static void unfinished(Path home, boolean unfinished) {
        try {
            if (unfinished) {
                Files.createDirectories(home);
                Files.write(home.resolve(UNFINISHED), new byte[0]);
            } else {
                Files.deleteIfExists(home.resolve(UNFINISHED));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Whether whoever made the records there was cut off. */
    static boolean isUnfinished(Path home) {
        return Files.exists(home.resolve(UNFINISHED));
    }

    /** From now on only the owner of the process looks into a home and reads what lies in it. */
    static void closeToOthers(Path home) throws IOException {
        if (!home.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            return;
        }
        Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwx------"));
        try (Stream<Path> files = Files.list(home)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
            }
        }
    }

    /** Writes a secret that only its owner may read. */
    public static void writeSecret(Path file, String content) throws IOException {
        Files.deleteIfExists(file);
        if (file.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        }
        Files.writeString(file, content);
    }

    static void delete(Path path) throws IOException {
        if (!Files.exists(path)) {
            return;
        }
        try (Stream<Path> tree = Files.walk(path)) {
            for (Path each : tree.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(each);
            }
        }
    }
}
