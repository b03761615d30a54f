package keel.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** Work that several processes that test at the same time need done once: one does it, the others wait. */
final class Alone {

    private Alone() {}

    interface Work {
        void run() throws IOException, InterruptedException;
    }

    static synchronized void with(String name, Work work) {
        Path lock = Path.of("target", name + ".lock").toAbsolutePath();
        try {
            Files.createDirectories(lock.getParent());
            try (FileChannel channel = FileChannel.open(lock, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                    FileLock held = channel.lock()) {
                if (held.isValid()) {
                    work.run();
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
