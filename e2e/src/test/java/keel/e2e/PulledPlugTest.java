package keel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A backup of the running demo is restored elsewhere and works; there the process is killed in a stream of writes, and
 * what it acknowledged is there when it comes back.
 */
class PulledPlugTest {

    private static final int ACKNOWLEDGED = 15;

    @TempDir
    private Path folder;

    @Test
    void nothingAcknowledgedIsLostWhenTheProcessIsKilled() throws Exception {
        Path home = restoredFromABackupOfTheRunningDemo();
        WritesOn writes = new WritesOn(Demo.keel().token());
        try (KeelProcess keel = KeelProcess.start("run", home)) {
            writes.untilKilled(keel, ACKNOWLEDGED);
        }
        assertThat(writes.acknowledged()).hasSizeGreaterThanOrEqualTo(ACKNOWLEDGED);
        try (KeelProcess keel = KeelProcess.start("run", home)) {
            assertThat(writes.lost(keel.address())).isEmpty();
            assertThat(keel.terminate()).as("ended by TERM").isIn(0, 143);
        }
    }

    private Path restoredFromABackupOfTheRunningDemo() throws Exception {
        Path backup = folder.resolve("backup.zip");
        Path home = folder.resolve("restored");
        assertThat(KeelProcess.errand(
                        "backup",
                        backup.toString(),
                        "--home",
                        Demo.keel().home().toString()))
                .startsWith("0\n");
        assertThat(KeelProcess.errand("restore", backup.toString(), "--home", home.toString()))
                .startsWith("0\n");
        assertThat(KeelProcess.errand("backup", "--check", backup.toString()))
                .startsWith("0\n")
                .contains("every sum holds");
        assertThat(KeelProcess.errand("restore", backup.toString(), "--home", home.toString()))
                .startsWith("0\n")
                .contains("What was there is kept in");
        return home;
    }
}
