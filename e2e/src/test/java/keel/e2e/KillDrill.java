package keel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Locale;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Pulls the plug again and again, {@code -Dkeel.attack.kills=200} times each: in a stream of writes, of which none that
 * was acknowledged may be missing afterwards, and during first starts, after which the same home must start. Only
 * processes of its own on this machine.
 */
@Tag("attack")
class KillDrill {

    private static final int KILLS = Integer.getInteger("keel.attack.kills", 20);
    private static final int STEP_MS = 50;
    private static final int LONGEST_START_MS = 6000;
    private static final int WRITES = 25;

    @TempDir
    private Path folder;

    @Test
    void inAStreamOfWritesNoneThatWasAcknowledgedIsLost() throws Exception {
        Path backup = folder.resolve("backup.zip");
        Path home = folder.resolve("home");
        String demo = Demo.keel().home().toString();
        assertThat(KeelProcess.errand("backup", backup.toString(), "--home", demo))
                .startsWith("0\n");
        assertThat(KeelProcess.errand("restore", backup.toString(), "--home", home.toString()))
                .startsWith("0\n");
        int acknowledged = 0;
        int lost = 0;
        for (int i = 0; i < KILLS; i++) {
            WritesOn writes = new WritesOn(Demo.keel().token());
            try (KeelProcess keel = KeelProcess.start("run", home)) {
                writes.untilKilled(keel, WRITES);
            }
            try (KeelProcess keel = KeelProcess.start("run", home)) {
                lost += writes.lost(keel.address()).size();
                keel.kill();
            }
            acknowledged += writes.acknowledged().size();
        }
        System.out.printf(
                Locale.ROOT, "%d kills in a stream of writes: %d acknowledged, %d lost%n", KILLS, acknowledged, lost);
        assertThat(lost).isZero();
    }

    @Test
    void afterAnyMomentOfAFirstStartTheHomeStarts() throws Exception {
        int dead = 0;
        for (int i = 0; i < KILLS; i++) {
            Path home = folder.resolve("start" + i);
            try (KeelProcess keel = KeelProcess.start("run", home)) {
                Thread.sleep((long) STEP_MS * i * LONGEST_START_MS / STEP_MS / KILLS);
                keel.kill();
            }
            dead += starts(home) ? 0 : 1;
        }
        System.out.printf(Locale.ROOT, "%d first starts killed: %d homes dead%n", KILLS, dead);
        assertThat(dead).isZero();
    }

    private static boolean starts(Path home) throws IOException, InterruptedException {
        try (KeelProcess keel = KeelProcess.start("run", home)) {
            return !keel.address().isEmpty();
        } catch (IllegalStateException e) {
            return false;
        }
    }
}
