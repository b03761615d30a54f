package keel.app.starting;

import java.io.IOException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import keel.app.base.DiskRoom;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Sliced files on the disk, by the hash of what is in them. They are in no backup: the slicer makes them again. */
@Component
class KeptFiles {

    private final Path folder;
    private final DiskRoom room;

    KeptFiles(@Value("${keel.home}") Path home, DiskRoom room) {
        this.folder = home.resolve("files");
        this.room = room;
    }

    private Path path(String hash) {
        return folder.resolve(hash.substring(0, 2)).resolve(hash + ".zip");
    }

    /** Empty where it is not there, for instance after a restore. */
    Optional<Path> file(String hash) {
        return Optional.of(path(hash)).filter(Files::isRegularFile);
    }

    /** Whole or not at all. */
    void keep(String hash, Path read) throws IOException {
        if (file(hash).isPresent()) {
            return;
        }
        room.require();
        Path to = path(hash);
        Files.createDirectories(to.getParent());
        Path part = Files.createTempFile(to.getParent(), "new", ".part");
        Files.copy(read, part, StandardCopyOption.REPLACE_EXISTING);
        try {
            Files.move(part, to, StandardCopyOption.ATOMIC_MOVE);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(part, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    void drop(String hash) throws IOException {
        Files.deleteIfExists(path(hash));
    }
}
