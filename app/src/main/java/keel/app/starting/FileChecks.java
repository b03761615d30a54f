package keel.app.starting;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import keel.app.base.DiskFull;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.security.concurrent.DelegatingSecurityContextRunnable;
import org.springframework.stereotype.Service;

/** Files that are read while whoever brought them goes on; one after another, each can be called off. */
@Service
public class FileChecks implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(FileChecks.class);
    private static final Duration REMEMBERED = Duration.ofHours(2);
    private static final int MOST_WAITING = 20;

    private final SlicedFiles files;
    private final Clock clock;
    private final Map<String, Job> jobs = new ConcurrentHashMap<>();
    private final ExecutorService reading = Executors.newSingleThreadExecutor(r -> {
        Thread thread = new Thread(r, "files");
        thread.setDaemon(true);
        return thread;
    });

    FileChecks(SlicedFiles files, Clock clock) {
        this.files = files;
        this.clock = clock;
    }

    /**
     * How far a file is read.
     *
     * @param layer so many are read, {@code of} all, 0 while it waits for its turn
     * @param hash of what was read, null until it is
     * @param wrong why it cannot be read, null where it can; {@code field} of the form that it is about
     */
    public record Reading(
            String id, String name, int layer, int of, String hash, String wrong, String field, boolean calledOff) {

        public boolean over() {
            return hash != null || wrong != null || calledOff;
        }
    }

    private static final class Job {

        private final Instant since;
        private volatile Reading now;
        private volatile boolean calledOff;

        private Job(Instant since, Reading now) {
            this.since = since;
            this.now = now;
        }
    }

    private static final class CalledOff extends RuntimeException {

        private static final long serialVersionUID = 1;
    }

    /**
     * Begins to read a file; it is deleted afterwards.
     *
     * @return under which name to ask for it
     * @throws Refused if too many wait already
     */
    public String begin(Path file, SlicedFiles.Asked asked) {
        jobs.values().removeIf(j -> j.since.plus(REMEMBERED).isBefore(clock.instant()) && j.now.over());
        if (jobs.values().stream().filter(j -> !j.now.over()).count() >= MOST_WAITING) {
            delete(file);
            throw new Refused("file", "Many files wait to be read already. Try again in a few minutes.");
        }
        String id = UUID.randomUUID().toString();
        Job job = new Job(clock.instant(), new Reading(id, asked.name(), 0, 0, null, null, null, false));
        jobs.put(id, job);
        try {
            reading.execute(new DelegatingSecurityContextRunnable(() -> read(job, file, asked)));
        } catch (RejectedExecutionException e) {
            delete(file);
            end(job, null, "The application is being stopped.", "file");
        }
        return id;
    }

    private void read(Job job, Path file, SlicedFiles.Asked asked) {
        try {
            SlicedFiles.Checked checked = files.check(file, asked, (layer, of) -> {
                if (job.calledOff) {
                    throw new CalledOff();
                }
                Reading was = job.now;
                job.now = new Reading(was.id(), was.name(), layer, of, null, null, null, false);
            });
            end(job, checked.hash(), null, null);
        } catch (CalledOff e) {
            Reading was = job.now;
            job.now = new Reading(was.id(), was.name(), was.layer(), was.of(), null, null, null, true);
        } catch (Refused e) {
            end(job, null, e.getMessage(), e.findings().get(0).field());
        } catch (NotThere e) {
            end(job, null, e.getMessage(), "machine");
        } catch (DiskFull e) {
            end(job, null, e.getMessage(), "file");
        } catch (IOException | RuntimeException e) {
            LOG.warn("A file could not be read", e);
            end(job, null, "It could not be read. Try again; if it stays so, slice it anew.", "file");
        } finally {
            delete(file);
        }
    }

    private static void end(Job job, String hash, String wrong, String field) {
        Reading was = job.now;
        job.now = new Reading(was.id(), was.name(), was.of(), was.of(), hash, wrong, field, false);
    }

    private static void delete(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            LOG.warn("A file that was read could not be deleted: {}", e.getMessage());
        }
    }

    /** @throws NotThere if it was never begun, or long ago */
    public Reading of(String id) {
        return job(id).now;
    }

    private Job job(String id) {
        Job job = jobs.get(id);
        if (job == null) {
            throw new NotThere("This file is not being read any more.");
        }
        return job;
    }

    /** Nothing is kept of it. One that is read already stays. */
    public void callOff(String id) {
        Job job = job(id);
        job.calledOff = true;
    }

    @Override
    public void destroy() {
        jobs.values().forEach(j -> j.calledOff = true);
        reading.shutdownNow();
    }
}
