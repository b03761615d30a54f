package keel.app.shell;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import keel.app.base.ShopZone;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/** Makes a backup a day by itself, opens it to see that it is whole, and says to the owner how old the last one is. */
@Service
public class DailyBackups implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(DailyBackups.class);
    private static final long SPARE_BYTES = 100_000_000;
    private static final Duration FIRST_LOOK = Duration.ofMinutes(3);
    private static final Duration LOOK_EVERY = Duration.ofMinutes(30);

    private final Path home;
    private final BackupShelf shelf;
    private final boolean on;
    private final DataSource database;
    private final ShopZone zone;
    private final Clock clock;
    private final ScheduledExecutorService looking = Executors.newSingleThreadScheduledExecutor(r -> {
        Thread thread = new Thread(r, "daily backup");
        thread.setDaemon(true);
        return thread;
    });
    private ScheduledFuture<?> looks;
    private volatile String failed;

    DailyBackups(
            @Value("${keel.home}") Path home,
            @Value("${keel.backups:}") String folder,
            DataSource database,
            ShopZone zone,
            Clock clock) {
        this.home = home;
        this.on = !folder.isEmpty();
        this.shelf = new BackupShelf(on ? Path.of(folder) : home.resolve("backups"));
        this.database = database;
        this.zone = zone;
        this.clock = clock;
    }

    /** A backup that lies there. */
    public record Made(LocalDate day, String name, double megabytes) {}

    /**
     * How it stands.
     *
     * @param failed why the last try failed; null where it did not
     */
    public record Shelf(boolean on, String folder, List<Made> all, String failed, LocalDate today) {

        private static final int LATE_DAYS = 3;

        /** How old the last one is. */
        public String age() {
            if (all.isEmpty()) {
                return "none made yet";
            }
            long days = days();
            return "last one " + (days <= 0 ? "today" : days == 1 ? "yesterday" : days + " days ago");
        }

        private long days() {
            return ChronoUnit.DAYS.between(all.get(0).day(), today);
        }

        /** What the owner must be told; null while all is well. */
        public String warning() {
            if (!on || failed == null && (all.isEmpty() || days() < LATE_DAYS)) {
                return null;
            }
            return (failed == null ? "No backup was made since " + all.get(0).day() + "." : failed + ".")
                    + " What was entered since is in one place only.";
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        if (on) {
            looks = looking.scheduleWithFixedDelay(
                    this::look, FIRST_LOOK.toSeconds(), LOOK_EVERY.toSeconds(), TimeUnit.SECONDS);
        }
    }

    private void look() {
        try {
            if (!Files.exists(shelf.file(today()))) {
                make();
            }
        } catch (RuntimeException e) {
            LOG.warn("No backup was made today: {}", e.getMessage());
        }
    }

    /**
     * Makes today's, in the place of one that was made today before.
     *
     * @throws IllegalStateException with a sentence that says why not
     */
    public synchronized void make() {
        Instant now = clock.instant();
        Path file = shelf.file(today());
        Path part = file.resolveSibling(file.getFileName() + ".part");
        try {
            Files.createDirectories(shelf.folder());
            Home.closeToOthers(shelf.folder());
            requireRoom();
            try (Connection connection = database.getConnection();
                    OutputStream out = Files.newOutputStream(part)) {
                Backup.write(connection, home, now, out);
            }
            BackupCheck.of(part);
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            Home.closeToOthers(shelf.folder());
            shelf.thinOut();
            failed = null;
        } catch (IOException | SQLException | IllegalArgumentException e) {
            failed = "The backup of " + today() + " could not be made: " + e.getMessage();
            throw new IllegalStateException(failed, e);
        } finally {
            delete(part);
        }
    }

    /** A backup must not fill the disk on which the records are written. */
    private void requireRoom() throws IOException {
        long needed = 2 * size(home.resolve(SafeMigration.DATABASE)) + SPARE_BYTES;
        long free = Files.getFileStore(shelf.folder()).getUsableSpace();
        if (free < needed) {
            throw new IOException("%d MB are free in %s and about %d are needed"
                    .formatted(free / 1_000_000, shelf.folder(), needed / 1_000_000));
        }
    }

    private static long size(Path file) throws IOException {
        return Files.exists(file) ? Files.size(file) : 0;
    }

    private static void delete(Path part) {
        try {
            Files.deleteIfExists(part);
        } catch (IOException e) {
            LOG.warn("{} was left behind: {}", part, e.getMessage());
        }
    }

    public Shelf shelf() {
        try {
            List<Made> all = shelf.all().stream()
                    .map(k -> new Made(k.day(), k.file().getFileName().toString(), k.bytes() / 1e6))
                    .toList();
            return new Shelf(on, shelf.folder().toString(), all, failed, today());
        } catch (IOException e) {
            String why = "The folder of backups cannot be read: " + e.getMessage();
            return new Shelf(on, shelf.folder().toString(), List.of(), why, today());
        }
    }

    /** The file of a backup that lies there; none of another name. */
    public Optional<Path> file(String name) {
        try {
            return shelf.all().stream()
                    .map(BackupShelf.Kept::file)
                    .filter(f -> f.getFileName().toString().equals(name))
                    .findFirst();
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    private LocalDate today() {
        return clock.instant().atZone(zone.zone()).toLocalDate();
    }

    @Override
    public void destroy() {
        if (looks != null) {
            looks.cancel(true);
        }
        looking.shutdownNow();
    }
}
