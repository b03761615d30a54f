package keel.app.shell;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** One process at a time works in a home; the computer lets go of it however the process ends. */
final class HomeLock implements AutoCloseable {

    static final String FILE = "lock";

    private final FileChannel channel;

    private HomeLock(FileChannel channel) {
        this.channel = channel;
    }

    /** @throws IllegalArgumentException with a sentence if another process works there */
    static HomeLock of(Path home) throws IOException {
        Files.createDirectories(home);
        FileChannel channel = FileChannel.open(home.resolve(FILE), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            if (channel.tryLock() != null) {
                return new HomeLock(channel);
            }
        } catch (OverlappingFileLockException e) {
            // held by this very process; said below
        }
        channel.close();
        throw new IllegalArgumentException(
                "Another Vigilant Keel is running in " + home + ". Stop it first, or choose another --home.");
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
