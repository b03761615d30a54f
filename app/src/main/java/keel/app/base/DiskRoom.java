package keel.app.base;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** How much room is left where the records lie. Nothing is written before it is all gone, and again once there is. */
@Component
public class DiskRoom {

    private static final long MB = 1_000_000;

    private final Path home;
    private long leastMb;

    DiskRoom(@Value("${keel.home}") Path home, @Value("${keel.disk.least-mb:60}") long leastMb) {
        this.home = home;
        this.leastMb = leastMb;
    }

    void least(long mb) {
        leastMb = mb;
    }

    /** MB that are free; very much where the computer does not say. */
    public long freeMb() {
        try {
            return Files.getFileStore(home).getUsableSpace() / MB;
        } catch (IOException e) {
            return Long.MAX_VALUE;
        }
    }

    /** @throws DiskFull with a sentence where too little is left to write safely */
    public void require() {
        long free = freeMb();
        if (free < leastMb) {
            throw new DiskFull("The disk is full: " + free + " MB are left where the records lie, and " + leastMb
                    + " must stay free. Nothing was written, nothing is lost. Make room, then do it again.");
        }
    }
}
